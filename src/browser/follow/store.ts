import { type DBSchema, openDB } from 'idb';
import type { FollowDocument } from '@/core/follow';
import type { Bend } from '@/core/run';
import { reopening } from '../reopening';

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

const inDatabase = reopening<Stored>(async () =>
  openDB<Stored>('up-beat-follow', 1, {
    upgrade: (db) => void db.createObjectStore('classes'),
  }),
);

export const keepClass = (code: string, kept: KeptClass): Promise<void> =>
  inDatabase(async (db) => {
    await db.put('classes', kept, code);
    const keys = await db.getAllKeys('classes');
    if (keys.length <= MOST_KEPT) return;
    const all = await Promise.all(
      keys.map(async (key) => ({ key, at: (await db.get('classes', key))?.at ?? 0 })),
    );
    const old = [...all].sort((a, b) => b.at - a.at).slice(MOST_KEPT);
    for (const { key } of old) await db.delete('classes', key);
  });

export const keptClass = (code: string): Promise<KeptClass | undefined> =>
  inDatabase((db) => db.get('classes', code));

export const dropClass = (code: string): Promise<void> =>
  inDatabase((db) => db.delete('classes', code));

/** Every class that is kept here, the latest first. */
export const keptClasses = (): Promise<(KeptClass & { code: string })[]> =>
  inDatabase(async (db) => {
    const keys = await db.getAllKeys('classes');
    const all = await Promise.all(
      keys.map(async (code) => {
        const kept = await db.get('classes', code);
        return kept ? [{ ...kept, code }] : [];
      }),
    );
    return all.flat().sort((a, b) => b.at - a.at);
  });
