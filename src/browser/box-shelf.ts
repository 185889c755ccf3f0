import { z } from 'zod';
import { inDatabase } from './database';
import type { Sendable, Shelf } from './outbox';

/** All rows of one run, or of the registers, with their keys. */
const rowsOf = (of: string) =>
  inDatabase(async (db) => {
    const rows: { key: number; value: unknown }[] = [];
    const store = db.transaction('outbox').store.index('run');
    for (let at = await store.openCursor(of); at; at = await at.continue()) {
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

const rowSchema = z.object({ device: z.string(), event: z.unknown() });

interface Opening<E extends Sendable> {
  /** Reads what was kept. */
  schema: z.ZodType<E>;
  /** The id of this tab. */
  device: string | Promise<string>;
  /** Whether another tab is open under a device's id. */
  isOpen: (device: string) => Promise<boolean>;
  /** Hears whether the browser keeps what it is given. */
  onKeeps: (keeps: boolean) => void;
}

export interface BoxShelf<E extends Sendable> extends Shelf<E> {
  /** The tab that has left an event behind; nothing for those of this one. */
  leftBy: (id: string) => string | undefined;
}

/**
 * Events in the browser's database, in the order they happened. A tab keeps its own, and takes over what a tab that is
 * gone has left behind. Where the browser keeps nothing the class goes on without.
 * @param of the run that they belong to, or `registersOf` a studio
 */
export function boxShelf<E extends Sendable>(
  of: string,
  { schema, device, isOpen, onKeeps }: Opening<E>,
): BoxShelf<E> {
  /** Where each event stands, as soon as it does: it may be dropped before. */
  const keys = new Map<string, number | Promise<number | undefined>>();
  const left = new Map<string, string>();
  const tried = async <T>(work: Promise<T>, otherwise: T): Promise<T> => {
    try {
      const done = await work;
      onKeeps(true);
      return done;
    } catch (problem) {
      console.warn('This browser keeps nothing for a reload.', problem);
      onKeeps(false);
      return otherwise;
    }
  };
  return {
    async load() {
      const events: E[] = [];
      const own = await device;
      for (const { key, value } of await tried(rowsOf(of), [])) {
        const row = rowSchema.safeParse(value).data;
        const event = schema.safeParse(row?.event).data;
        if (!row || !event || (await isOpen(row.device))) continue;
        keys.set(event.id, key);
        if (row.device !== own) left.set(event.id, row.device);
        events.push(event);
      }
      return events;
    },
    leftBy: (id) => left.get(id),
    async add(event) {
      const put = async () => {
        const row = { runId: of, device: await device, event };
        return inDatabase((db) => db.add('outbox', row));
      };
      const key = tried(put(), undefined);
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
