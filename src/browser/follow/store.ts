import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { FollowDocument } from '@/core/follow';
import type { Bend } from '@/core/run';

/** What a device keeps of a class that it follows, so that it goes on without a connection and over a reload. */
export interface KeptClass {
  made: number;
  document: FollowDocument;
  events: Bend[];
  /** The server's time less the device's time of day, in ms. */
  fromWallMs: number;
  takeHome: boolean;
  ended: boolean;
  /** When it was kept last, by the device's time of day. */
  at: number;
}

interface Stored extends DBSchema {
  classes: { key: string; value: KeptClass };
}

/** Most classes that one device keeps; the oldest goes. */
const MOST_KEPT = 12;

let opened: Promise<IDBPDatabase<Stored>> | undefined;
const database = () => {
  opened ??= openDB<Stored>('up-beat-follow', 1, {
    upgrade: (db) => void db.createObjectStore('classes'),
  });
  return opened;
};

export async function keepClass(code: string, kept: KeptClass): Promise<void> {
  const db = await database();
  await db.put('classes', kept, code);
  const keys = await db.getAllKeys('classes');
  if (keys.length <= MOST_KEPT) return;
  const all = await Promise.all(
    keys.map(async (key) => ({ key, at: (await db.get('classes', key))?.at ?? 0 })),
  );
  const old = all.toSorted((a, b) => b.at - a.at).slice(MOST_KEPT);
  for (const { key } of old) await db.delete('classes', key);
}

export const keptClass = async (code: string): Promise<KeptClass | undefined> =>
  (await database()).get('classes', code);

export const dropClass = async (code: string): Promise<void> =>
  (await database()).delete('classes', code);

/** Every class that is kept here, the latest first. */
export async function keptClasses(): Promise<(KeptClass & { code: string })[]> {
  const db = await database();
  const keys = await db.getAllKeys('classes');
  const all = await Promise.all(
    keys.map(async (code) => {
      const kept = await db.get('classes', code);
      return kept ? [{ ...kept, code }] : [];
    }),
  );
  return all.flat().toSorted((a, b) => b.at - a.at);
}
