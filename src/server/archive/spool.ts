import { randomUUID } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { archiveOf } from './export';

const FOLDER = path.join(tmpdir(), `up-beat-archives-${process.pid}`);
/** How long an archive waits to be fetched to its end. */
const KEPT_MS = 10 * 60_000;

const busy = new Set<string>();

/** Does something with a whole studio, which is done once at a time. @throws Refusal `archive-busy` */
export async function alone<T>({ studioId }: Scope, work: () => Promise<T>): Promise<T> {
  if (busy.has(studioId)) throw new Refusal('archive-busy');
  busy.add(studioId);
  try {
    return await work();
  } finally {
    busy.delete(studioId);
  }
}

/**
 * Writes the archive of a studio into a file, so that the database is done with it however slowly it is fetched.
 * The file is removed some minutes later.
 */
export async function spooled(
  db: Db,
  scope: Scope,
  { now }: { now: number },
): Promise<{ file: string; bytes: number }> {
  await mkdir(FOLDER, { recursive: true, mode: 0o700 });
  await forgetOld();
  const file = path.join(FOLDER, `${randomUUID()}.zip`);
  try {
    await pipeline(archiveOf(db, scope, { now }), createWriteStream(file, { mode: 0o600 }));
  } catch (error) {
    await rm(file, { force: true });
    throw error;
  }
  setTimeout(() => void rm(file, { force: true }), KEPT_MS).unref();
  return { file, bytes: (await stat(file)).size };
}

/** Removes what a timer did not come to. The age of a file is that of this machine's clock. */
async function forgetOld(): Promise<void> {
  for (const name of await readdir(FOLDER)) {
    const file = path.join(FOLDER, name);
    const { mtimeMs } = await stat(file);
    if (Date.now() - mtimeMs > KEPT_MS) await rm(file, { force: true });
  }
}
