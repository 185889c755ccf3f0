import { z } from 'zod';
import { type NewRunEvent, newRunEventSchema } from '@/core/run';
import { database } from './database';
import type { Shelf } from './outbox';

const rowSchema = z.object({ device: z.string(), event: newRunEventSchema });

/**
 * Events of a run in the browser's database, in the order they happened. A tab keeps its own, and
 * takes over what a tab that is gone has left behind.
 * @param isOpen whether another tab is open under a device's id
 */
export function eventShelf(
  runId: string,
  device: string,
  isOpen: (device: string) => Promise<boolean>,
): Shelf {
  const keys = new Map<string, number>();
  return {
    async load() {
      const db = await database();
      const events: NewRunEvent[] = [];
      const store = db.transaction('outbox').store.index('run');
      const rows: { key: number; value: unknown }[] = [];
      for (let at = await store.openCursor(runId); at; at = await at.continue()) {
        rows.push({ key: at.primaryKey, value: at.value });
      }
      for (const { key, value } of rows) {
        const row = rowSchema.safeParse(value);
        if (!row.success || (await isOpen(row.data.device))) continue;
        keys.set(row.data.event.id, key);
        events.push(row.data.event);
      }
      return events;
    },
    async add(event) {
      keys.set(event.id, await (await database()).add('outbox', { runId, device, event }));
    },
    async drop(ids) {
      const transaction = (await database()).transaction('outbox', 'readwrite');
      for (const id of ids) {
        const key = keys.get(id);
        if (key !== undefined) await transaction.store.delete(key);
        keys.delete(id);
      }
      await transaction.done;
    },
  };
}
