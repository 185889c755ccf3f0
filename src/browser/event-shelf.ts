import { z } from 'zod';
import { type NewRunEvent, newRunEventSchema } from '@/core/run';
import { inDatabase } from './database';
import type { Shelf } from './outbox';

/** All rows of a run, with their keys. */
const rowsOf = (runId: string) =>
  inDatabase(async (db) => {
    const rows: { key: number; value: unknown }[] = [];
    const store = db.transaction('outbox').store.index('run');
    for (let at = await store.openCursor(runId); at; at = await at.continue()) {
      rows.push({ key: at.primaryKey, value: at.value });
    }
    return rows;
  });

const drop = (keys: readonly number[]) =>
  inDatabase(async (db) => {
    const transaction = db.transaction('outbox', 'readwrite');
    for (const key of keys) await transaction.store.delete(key);
    await transaction.done;
  });

const rowSchema = z.object({ device: z.string(), event: newRunEventSchema });

/**
 * Events of a run in the browser's database, in the order they happened. A tab keeps its own, and
 * takes over what a tab that is gone has left behind. Where the browser keeps nothing the class goes on without.
 * @param isOpen whether another tab is open under a device's id
 * @param onKeeps hears whether the browser keeps what it is given
 */
export function eventShelf(
  runId: string,
  device: string,
  isOpen: (device: string) => Promise<boolean>,
  onKeeps: (keeps: boolean) => void,
): Shelf {
  /** Where each event stands, as soon as it does: it may be dropped before. */
  const keys = new Map<string, number | Promise<number | undefined>>();
  const tried = async <T>(work: Promise<T>, otherwise: T): Promise<T> => {
    try {
      const done = await work;
      onKeeps(true);
      return done;
    } catch (problem) {
      console.warn('This browser keeps nothing of the class.', problem);
      onKeeps(false);
      return otherwise;
    }
  };
  return {
    async load() {
      const events: NewRunEvent[] = [];
      for (const { key, value } of await tried(rowsOf(runId), [])) {
        const row = rowSchema.safeParse(value);
        if (!row.success || (await isOpen(row.data.device))) continue;
        keys.set(row.data.event.id, key);
        events.push(row.data.event);
      }
      return events;
    },
    async add(event) {
      const row = { runId, device, event };
      const key = tried(
        inDatabase((db) => db.add('outbox', row)),
        undefined,
      );
      keys.set(event.id, key);
      await key;
    },
    async drop(ids) {
      const found = await Promise.all(ids.map((id) => keys.get(id)));
      const gone = found.filter((key) => key !== undefined);
      if (gone.length > 0) await tried(drop(gone), undefined);
      for (const id of ids) keys.delete(id);
    },
  };
}
