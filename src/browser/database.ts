import { type DBSchema, openDB } from 'idb';
import type { Sendable } from './outbox';
import { reopening } from './reopening';

/** An event that was not sent yet. */
export interface WaitingRow {
  /** The run that it belongs to; `registersOf` a studio for what was said in registers. */
  runId: string;
  device: string;
  event: Sendable;
}

interface Stored extends DBSchema {
  outbox: { key: number; value: WaitingRow; indexes: { run: string } };
  /** What a class needs to go on after a reload while the server is away. */
  kept: { key: string; value: unknown };
}

/** Works in the browser's database, made or brought up to date on first use. @throws as `reopening` says */
export const inDatabase = reopening<Stored>(async () =>
  openDB<Stored>('up-beat', 2, {
    upgrade(db, from) {
      if (from < 1) {
        db.createObjectStore('outbox', { autoIncrement: true }).createIndex('run', 'runId');
      }
      db.createObjectStore('kept');
    },
  }),
);

/** Without what is kept a class goes on as long as its page does, so it is no reason to stop. */
export const unkept = (problem: unknown): undefined => {
  console.warn('This browser keeps nothing for a reload.', problem);
};

/** Forgets all that was kept for classes to go on. */
export const clearKept = () => inDatabase((db) => db.clear('kept')).catch(unkept);
