import { z } from 'zod';
import { CALLS } from '@/core/calls';
import { newRunEventSchema } from '@/core/run';
import { ask } from './api';
import { database } from './database';

/** What this browser keeps of a studio, when somebody signs out of it. */

/** What would be lost. */
export interface Unsent {
  /** Things that happened in led classes and were not sent. */
  events: number;
  /** Classes with edits that were not saved. */
  classes: number;
}

const UNSAVED = /^upbeat-unsaved-([0-9a-f-]{36})-/;
const rowSchema = z.object({ runId: z.uuid(), device: z.uuid(), event: newRunEventSchema });

export async function unsent(): Promise<Unsent> {
  const classes = Object.keys(localStorage).flatMap((key) => UNSAVED.exec(key)?.[1] ?? []);
  return {
    events: await (await database()).count('outbox'),
    classes: new Set(classes).size,
  };
}

/** Sends what waits, of every class, in order. @throws what asking throws; what was not sent stays */
export async function sendUnsent(): Promise<void> {
  const db = await database();
  const keys = await db.getAllKeys('outbox');
  for (const key of keys) {
    const row = rowSchema.safeParse(await db.get('outbox', key)).data;
    if (row) {
      const { runId, device, event } = row;
      // Nothing of the log is needed back.
      await ask(CALLS.sendEvents, {
        id: runId,
        body: { device, events: [event], after: 1_000_000 },
      });
    }
    await db.delete('outbox', key);
  }
}

/**
 * Leaves nothing of the studio in the browser. The server asks for the same when it answers; browsers heed that only
 * over a secure connection.
 */
export async function forgetStudio(): Promise<void> {
  const db = await database();
  await Promise.all([db.clear('outbox'), db.clear('kept')]);
  localStorage.clear();
  sessionStorage.clear();
  if ('caches' in globalThis) {
    for (const name of await caches.keys()) await caches.delete(name);
  }
  if ('serviceWorker' in navigator) {
    for (const worker of await navigator.serviceWorker.getRegistrations())
      await worker.unregister();
  }
}
