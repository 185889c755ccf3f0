import 'fake-indexeddb/auto';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import { expect, it } from 'vitest';
import { reopening } from './reopening';

interface Shelf extends DBSchema {
  things: { key: string; value: string };
}

function shelf() {
  const opened: IDBPDatabase<Shelf>[] = [];
  let refuses = 0;
  const work = reopening<Shelf>(async () => {
    if (refuses-- > 0) throw new DOMException('no room', 'QuotaExceededError');
    const db = await openDB<Shelf>('shelf', 1, {
      upgrade: (made) => void made.createObjectStore('things'),
    });
    opened.push(db);
    return db;
  });
  return {
    work,
    opened,
    refuse: (times: number) => {
      refuses = times;
    },
  };
}

it('is opened once, and anew after the browser has closed it', async () => {
  const { work, opened } = shelf();
  await work((db) => db.put('things', 'a shell', 'a'));
  expect(await work((db) => db.get('things', 'a'))).toBe('a shell');
  expect(opened).toHaveLength(1);
  opened[0]?.close();
  const both = [work((db) => db.get('things', 'a')), work((db) => db.count('things'))];
  expect(await Promise.all(both)).toEqual(['a shell', 1]);
  // Those that failed together may each have opened it; whoever comes after uses one of them.
  const now = opened.length;
  expect(await work((db) => db.get('things', 'a'))).toBe('a shell');
  expect(opened).toHaveLength(now);
});

it('says where it cannot be opened, and is tried again the next time', async () => {
  const { work, refuse } = shelf();
  refuse(2);
  await expect(work((db) => db.count('things'))).rejects.toThrow('no room');
  expect(await work((db) => db.count('things'))).toBe(1);
});

it('tries what fails twice and no more', async () => {
  const { work } = shelf();
  let tries = 0;
  const fails = work(async () => {
    tries++;
    throw new Error('it cannot be done');
  });
  await expect(fails).rejects.toThrow('it cannot be done');
  expect(tries).toBe(2);
});
