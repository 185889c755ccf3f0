import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { inRoot } from './paths.mjs';
import { mustRun } from './run.mjs';
import { say, Trouble } from './say.mjs';

const LEAST_NODE = [20, 9];

export function requireNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > LEAST_NODE[0] || (major === LEAST_NODE[0] && minor >= LEAST_NODE[1])) return;
  throw new Trouble(
    `Up Beat needs Node ${LEAST_NODE.join('.')} or newer; this is ${process.versions.node}.`,
  );
}

/** Installs the npm packages where they are missing or not those of the lock file. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(inRoot('package-lock.json')))
    .digest('hex');
  const mark = inRoot('node_modules', '.up-beat-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing the npm packages …');
  await mustRun(
    'npm',
    ['ci', '--no-audit', '--no-fund', '--loglevel=error'],
    { env: { NODE_ENV: '', PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: '1' } },
    'The npm packages could not be installed. Check the network and the rights on this folder, then try again.',
  );
  writeFileSync(mark, lock);
}
