import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { z } from 'zod';
import type { NewRunEvent } from '@/core/run';

/** An event that was not sent yet. */
export interface WaitingRow {
  runId: string;
  device: string;
  event: NewRunEvent;
}

interface Stored extends DBSchema {
  outbox: { key: number; value: WaitingRow; indexes: { run: string } };
  /** What a class needs to go on after a reload while the server is away. */
  kept: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Stored>> | undefined;

/** The browser's database, made or brought up to date on first use. */
export function database(): Promise<IDBPDatabase<Stored>> {
  opened ??= openDB<Stored>('up-beat', 2, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('outbox', { autoIncrement: true }).createIndex('run', 'runId');
      }
      db.createObjectStore('kept');
    },
  });
  return opened;
}

/** A class is led within hours; names that are older than this are nobody's business any more. */
export const KEPT_MS = 24 * 3_600_000;
const keptSchema = z.object({ at: z.number(), value: z.unknown() });

/** Values that are kept under a name, for a day. */
export const kept = {
  async put(name: string, value: unknown): Promise<void> {
    await (await database()).put('kept', { at: Date.now(), value }, name);
  },
  /** What was kept, where it is not too old and still reads as it should. */
  async get<T>(name: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const row = keptSchema.safeParse(await (await database()).get('kept', name)).data;
    if (row && Date.now() - row.at < KEPT_MS) return schema.safeParse(row.value).data;
    await (await database()).delete('kept', name);
    return undefined;
  },
  async clear(): Promise<void> {
    await (await database()).clear('kept');
  },
};
