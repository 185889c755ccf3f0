import type { DBSchema, IDBPDatabase } from 'idb';

/**
 * A way to work in one of the browser's databases, which is opened on first use. Phones close it while a page is not
 * seen, so what fails is tried once more in one that was opened anew.
 * @returns what works in it; it throws what the browser does where it has no database, no room in it, or keeps nothing
 */
export function reopening<S extends DBSchema>(open: () => Promise<IDBPDatabase<S>>) {
  let opened: Promise<IDBPDatabase<S>> | undefined;
  const tryOnce = async <T>(work: (db: IDBPDatabase<S>) => Promise<T>): Promise<T> => {
    opened ??= open();
    const used = opened;
    try {
      return await work(await used);
    } catch (problem) {
      if (opened === used) opened = undefined;
      throw problem;
    }
  };
  return <T>(work: (db: IDBPDatabase<S>) => Promise<T>): Promise<T> =>
    tryOnce(work).catch(() => tryOnce(work));
}
