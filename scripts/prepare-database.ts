import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { migrationSource } from '@migrations';
import { replacedSchema, settledWords, settleRestored } from '@/server/archive/restored';
import { now } from '@/server/clock';
import { connect, type Db } from '@/server/db';
import { demoStudioId, ensureSessionToday, removeDemo, seedDemo } from '@/server/demo/seed';
import { makeLink } from '@/server/studio/links';
import { hasOwnStudio } from '@/server/studio/studios';

/** The demo password of before, so that a reset does not change how one signs in. */
function keptPassword(file: string): string | undefined {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).password : undefined;
}

/** Where there is no studio at all, leaves the address at which the first one is made, for this start. */
async function offerFirstStudio(db: Db, file: string): Promise<void> {
  rmSync(file, { force: true });
  if (process.env.UPBEAT_DEMO === '1' || (await db('studios').first('id'))) return;
  await db('links').where({ kind: 'begin' }).whereNull('email').delete();
  const token = await makeLink(db, 'begin', { of: {}, now: now() });
  mkdirSync(path.dirname(file), { recursive: true });
  writeFileSync(file, `/begin/${token}`, { mode: 0o600 });
}

/** Brings a backup in order that was put back, and says what that means. */
async function settle(db: Db, file: string): Promise<void> {
  if (!existsSync(file)) return;
  const replaced = replacedSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
  const settled = await settleRestored(db, replaced, now());
  rmSync(file);
  for (const line of settledWords(settled, replaced)) console.log(line);
}

/** Brings the database to the newest schema and, in demo mode, puts the demo studio there once. */
async function prepare(): Promise<void> {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set.');
  const dataDir = process.env.UPBEAT_DATA_DIR ?? '.data';
  const reset = process.argv.includes('--reset-demo');
  const db = connect(url);
  try {
    await db.migrate.latest({ migrationSource });
    await settle(db, path.join(dataDir, 'replaced.json'));
    await offerFirstStudio(db, path.join(dataDir, 'first-studio'));
    if (process.env.UPBEAT_DEMO !== '1' && !reset) return;
    const signInFile = path.join(dataDir, 'demo-sign-in.json');
    if (reset) {
      await removeDemo(db);
    }
    // Where teachers have removed the demo beside a studio of their own, it does not come back.
    if (!(await demoStudioId(db)) && (reset || !(await hasOwnStudio(db)))) {
      const password = keptPassword(signInFile) ?? randomBytes(9).toString('base64url');
      const email = await seedDemo(db, password, now());
      mkdirSync(dataDir, { recursive: true });
      writeFileSync(signInFile, JSON.stringify({ email, password }), { mode: 0o600 });
      console.log(reset ? 'The demo studio is as new.' : 'The demo studio is set up.');
    }
    await ensureSessionToday(db, now());
  } finally {
    await db.destroy();
  }
}

prepare().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
