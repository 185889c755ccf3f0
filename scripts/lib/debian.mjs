import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { DATA_DIR } from './paths.mjs';
import { run } from './run.mjs';
import { say, Trouble } from './say.mjs';

export function onPath(program) {
  return (process.env.PATH ?? '')
    .split(path.delimiter)
    .some((dir) => existsSync(path.join(dir, program)));
}

/** The folder of the newest PostgreSQL server programs on this machine, or of a given major version. */
export function postgresBin(version) {
  const base = '/usr/lib/postgresql';
  const versions = existsSync(base) ? readdirSync(base).sort((a, b) => Number(b) - Number(a)) : [];
  const fits = versions.filter((v) => (version ? v === version : true));
  return fits
    .map((v) => path.join(base, v, 'bin'))
    .find((dir) => existsSync(path.join(dir, 'initdb')));
}

const NEEDS = {
  postgresql: () => postgresBin() !== undefined,
  'espeak-ng': () => onPath('espeak-ng'),
  chromium: () => existsSync('/usr/bin/chromium'),
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
  ffmpeg: () => onPath('ffmpeg'),
  flite: () => onPath('flite'),
  openssl: () => onPath('openssl'),
  'poppler-utils': () => onPath('pdftotext'),
};

/**
 * Installs Debian packages that are not there yet.
 * @param {(keyof typeof NEEDS)[]} names
 * @param {{ optional?: boolean }} [options] optional ones only warn when they cannot be had
 */
export async function ensureDebian(names, { optional = false } = {}) {
  const missing = names.filter((name) => !NEEDS[name]());
  if (missing.length === 0) return;
  const command = `apt-get install ${missing.join(' ')}`;
  const fail = (why) => {
    const sentence = `${why} Install it by hand with "sudo ${command}", then try again.`;
    if (!optional) throw new Trouble(sentence);
    say(sentence);
  };
  if (!onPath('apt-get'))
    return fail(`This machine has no apt-get to install ${missing.join(', ')}.`);
  const root = process.getuid?.() === 0;
  const sudo = !root && spawnSync('sudo', ['-n', 'true']).status === 0;
  if (!root && !sudo) return fail(`Installing ${missing.join(', ')} needs administrator rights.`);
  say(`Installing ${missing.join(', ')} from Debian's packages …`);
  mkdirSync(DATA_DIR, { recursive: true });
  const log = path.join(DATA_DIR, 'apt.log');
  const apt = (...args) =>
    sudo
      ? run('sudo', ['-n', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args], { log })
      : run('apt-get', args, { log, env: { DEBIAN_FRONTEND: 'noninteractive' } });
  const updated = await apt('update', '-qq');
  const code =
    updated || (await apt('install', '-y', '-qq', '--no-install-recommends', ...missing));
  if (code !== 0) return fail(`${missing.join(', ')} could not be installed (see ${log}).`);
}
