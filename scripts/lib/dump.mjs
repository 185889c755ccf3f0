import { spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { postgresBin } from './debian.mjs';
import { inRoot } from './paths.mjs';
import { reaching } from './reaching.mjs';
import { Trouble } from './say.mjs';

/** Backups of the whole database, recordings included, in the custom format of pg_dump. */

/** Runs one of PostgreSQL's programs; what it prints. @throws Trouble with what it said */
function program(name, args, trouble, env = process.env) {
  const bin = postgresBin();
  if (!bin) throw new Trouble('PostgreSQL’s programs are not installed.');
  const done = spawnSync(path.join(bin, name), args, {
    env,
    encoding: 'utf8',
    maxBuffer: 64 * 1024 * 1024,
  });
  if (done.error) throw new Trouble(`${trouble}: ${done.error.message}`);
  if (done.status !== 0) throw new Trouble(`${trouble}: ${done.stderr.trim().split('\n')[0]}`);
  return done.stdout;
}

function query(url, sql) {
  const { to, env } = reaching(url);
  const args = [to, '-v', 'ON_ERROR_STOP=1', '-tAc', sql];
  return program('psql', args, 'The database did not answer', env).trim();
}

/** The migrations that this program knows, by name. */
const known = () =>
  readdirSync(inRoot('migrations'))
    .filter((file) => /^\d{3}-.*\.ts$/.test(file))
    .map((file) => file.replace(/\.ts$/, ''));

/** Makes an empty file that nobody else on the machine reads. @throws Trouble where it cannot */
function ownFile(file) {
  try {
    writeFileSync(file, '', { mode: 0o600 });
    chmodSync(file, 0o600);
  } catch (error) {
    throw new Trouble(`The backup could not be written: ${error.message}`);
  }
}

/**
 * Writes a backup that nobody else on the machine reads. A file that was there before is only replaced once the new one is whole.
 * @throws Trouble
 */
export function writeBackup(url, file) {
  if (!existsSync(path.dirname(path.resolve(file)))) {
    throw new Trouble(`The folder of ${file} is not there. Make it first, or name another.`);
  }
  const part = `${file}.part`;
  const { to, env } = reaching(url);
  try {
    ownFile(part);
    program('pg_dump', ['-Fc', '-f', part, to], 'The backup could not be written', env);
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
  }
}

/**
 * The migrations that a backup was made with.
 * @throws Trouble where the file is no backup of Up Beat
 */
export function migrationsIn(file) {
  if (!existsSync(file)) throw new Trouble(`There is no file ${file}.`);
  const args = ['--data-only', '-t', 'knex_migrations', '-f', '-', file];
  const sql = program('pg_restore', args, `${file} is no backup that can be read`);
  const names = [...sql.matchAll(/^\d+\t(\d{3}-[^\t]+)\t/gm)].map((line) => line[1]);
  if (names.length === 0) throw new Trouble(`${file} is a backup, but not one of Up Beat.`);
  return names;
}

/** How many studios a database holds; 0 where it is empty. @throws Trouble */
export function studiosIn(url) {
  if (query(url, "select to_regclass('public.studios') is not null") !== 't') return 0;
  return Number(query(url, 'select count(*) from studios'));
}

/** How many others are connected to a database. @throws Trouble */
export const othersOn = (url) =>
  Number(
    query(
      url,
      'select count(*) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()',
    ),
  );

/**
 * What a database holds that an older backup cannot know of: which studios and teachers there are now, and who was
 * erased. Nothing where it is empty.
 * @throws Trouble
 */
export function heldIn(url) {
  if (query(url, "select to_regclass('public.former_people') is not null") !== 't') {
    return { studios: [], teachers: [], erased: [] };
  }
  const ids = (from) => `(select coalesce(json_agg(id), '[]') from ${from})`;
  const lists = [
    `'studios', ${ids('studios')}`,
    `'teachers', ${ids('teachers')}`,
    `'erased', ${ids('former_people where now_id is null')}`,
  ];
  return JSON.parse(query(url, `select json_build_object(${lists.join(', ')})`));
}

/**
 * Puts a backup in the place of all that a database holds: wholly or, where anything goes wrong, not at all.
 * The schema is the backup's afterwards; migrations bring it up to date.
 * @throws Trouble, also for a backup from a newer version of Up Beat than this one
 */
export function restoreBackup(url, file) {
  const newer = migrationsIn(file).filter((name) => !known().includes(name));
  if (newer.length > 0) {
    throw new Trouble(
      `This backup comes from a newer version of Up Beat (it has ${newer.join(', ')}). Bring Up Beat up to date first.`,
    );
  }
  const folder = mkdtempSync(path.join(tmpdir(), 'up-beat-restore-'));
  try {
    const sql = path.join(folder, 'all.sql');
    const how = ['--no-owner', '--no-privileges', '-f', sql, file];
    program('pg_restore', how, `${file} could not be read`);
    const anew = 'drop schema public cascade; create schema public;';
    const { to, env } = reaching(url);
    program(
      'psql',
      [to, '-q', '-1', '-v', 'ON_ERROR_STOP=1', '-c', anew, '-f', sql],
      'The backup could not be put back, and nothing has changed',
      env,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const NIGHTLY = /^upbeat-\d{4}-\d{2}-\d{2}\.dump$/;

/**
 * Writes the backup of a night into a folder, and removes the oldest beyond a number to keep. Other files in
 * the folder stay.
 * @param day ISO 8601 date
 * @throws Trouble
 */
export function backUpNightly(url, { folder, keep, day }) {
  const file = path.join(folder, `upbeat-${day}.dump`);
  writeBackup(url, file);
  const all = readdirSync(folder)
    .filter((name) => NIGHTLY.test(name))
    .sort();
  for (const old of all.slice(0, Math.max(0, all.length - keep))) rmSync(path.join(folder, old));
  return file;
}

/** Ms until the next time the clock on the wall of this machine shows an hour and minute. */
export function untilClockShows({ hour, minute }, now) {
  const next = new Date(now);
  next.setHours(hour, minute, 0, 0);
  if (next.getTime() <= now) next.setDate(next.getDate() + 1);
  return next.getTime() - now;
}

/**
 * What is configured for nightly backups; null where nothing is.
 * @throws Trouble where it cannot be understood
 */
export function nightlyFrom(env) {
  const folder = env.UPBEAT_BACKUP_DIR;
  if (!folder) return null;
  const keep = Number(env.UPBEAT_BACKUP_KEEP ?? 14);
  if (!Number.isInteger(keep) || keep < 1 || keep > 1000) {
    throw new Trouble('UPBEAT_BACKUP_KEEP must be a whole number from 1 to 1000.');
  }
  const at = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(env.UPBEAT_BACKUP_AT ?? '03:15');
  if (!at) throw new Trouble('UPBEAT_BACKUP_AT must be a time of day such as 03:15.');
  return { folder, keep, hour: Number(at[1]), minute: Number(at[2]) };
}
