import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { createInterface } from 'node:readline/promises';
import { database } from './lib/database.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { heldIn, migrationsIn, othersOn, restoreBackup, studiosIn } from './lib/dump.mjs';
import { otherStart } from './lib/lock.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, DATA_DIR } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main, say, Trouble } from './lib/say.mjs';

/** Whether what is there may be replaced. Without a terminal to ask at, only --yes says so. */
async function mayReplace(studios) {
  if (studios === 0 || process.argv.includes('--yes')) return true;
  const what = studios === 1 ? 'one studio' : `${studios} studios`;
  if (!process.stdin.isTTY) {
    throw new Trouble(`This would replace ${what}. Say so with --yes if that is what you want.`);
  }
  const asking = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await asking.question(`This replaces ${what}, wholly. Type "replace" to go on: `);
  asking.close();
  return answer.trim() === 'replace';
}

/**
 * Puts a backup in the place of everything: npm run restore -- FILE
 * Whoever was erased since stays erased, but with --unerase.
 */
await main(async () => {
  requireNode();
  const file = process.argv.slice(2).find((arg) => !arg.startsWith('--'));
  if (!file) throw new Trouble('Say from where: npm run restore -- FILE');
  const other = otherStart();
  if (other) throw new Trouble(`Up Beat is running (process ${other}). Stop it first.`);
  await ensurePackages();
  mkdirSync(DATA_DIR, { recursive: true });
  await ensureDebian(['postgresql']);
  const { url, stop } = await database();
  try {
    migrationsIn(file);
    const others = othersOn(url);
    if (others > 0) {
      throw new Trouble(`${others} others work on this database. Stop every Up Beat on it first.`);
    }
    if (!(await mayReplace(studiosIn(url)))) {
      say('Nothing was changed.');
      return 1;
    }
    // What has to be done about it is done by the next start, should this end in between.
    const replaced = path.join(DATA_DIR, 'replaced.json');
    const unerase = process.argv.includes('--unerase');
    // One that was broken off has left what it replaced; the database holds a backup by now.
    const left = existsSync(replaced) ? JSON.parse(readFileSync(replaced, 'utf8')) : null;
    const held = left ?? heldIn(url);
    writeFileSync(`${replaced}.part`, JSON.stringify({ ...held, unerase }), { mode: 0o600 });
    renameSync(`${replaced}.part`, replaced);
    try {
      restoreBackup(url, file);
    } catch (error) {
      if (!left) rmSync(replaced);
      throw error;
    }
    const env = { DATABASE_URL: url, UPBEAT_DATA_DIR: DATA_DIR, UPBEAT_DEMO: '0' };
    if ((await run(bin('tsx'), ['scripts/prepare-database.ts'], { env })) !== 0) {
      throw new Trouble('The backup is back, but could not be brought up to date; see above.');
    }
    say(`All else is as it was in ${file}.`);
    return 0;
  } finally {
    await stop();
  }
});
