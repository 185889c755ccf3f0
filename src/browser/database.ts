import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
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

/** Forgets all that was kept for classes to go on. */
export async function clearKept(): Promise<void> {
  await (await database()).clear('kept');
}
