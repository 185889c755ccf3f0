import { createWriteStream } from 'node:fs';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { readOnce, type SentFile } from '../with-folder';
import { archiveOf } from './export';

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
 * The archive of a studio, whole before it is sent, so that the database is done with it however slowly it is fetched.
 * @param signal that nobody waits for it any more
 */
export const spooled = (
  db: Db,
  scope: Scope,
  { now, signal }: { now: number; signal: AbortSignal },
): Promise<SentFile> =>
  readOnce(
    'archive',
    async (folder) => {
      const file = path.join(folder, 'studio.zip');
      await pipeline(archiveOf(db, scope, { now }), createWriteStream(file), { signal });
      return file;
    },
    signal,
  );
