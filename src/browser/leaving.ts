import { CALLS, storedPlanSchema } from '@/core/calls';
import { mergePlans } from '@/core/class';
import { ask, Refused } from './api';
import { inDatabase } from './database';
import { allUnsaved, type Unsaved } from './unsaved';
import { isReadable, type Sent, sendWaiting } from './waiting';

/** What this browser keeps of a studio, when somebody signs out of it. */

/** What would be lost. */
export interface Unsent {
  /** Things that happened in led classes, or were done in registers, and were not sent. */
  events: number;
  /** Classes with edits that were not saved. */
  classes: number;
}

export async function unsent(): Promise<Unsent> {
  const classes = allUnsaved().map(({ classId }) => classId);
  return {
    // What cannot be opened holds nothing that could still be sent.
    events: await inDatabase((db) => db.count('outbox')).catch(() => 0),
    classes: new Set(classes).size,
  };
}

/** Sends what waits, also what other tabs are about to send. */
export async function sendUnsent(): Promise<Sent> {
  const sent = await sendWaiting({ isOpen: async () => false });
  await letGoUnreadable();
  return sent;
}

/** What cannot be read can never be sent. */
async function letGoUnreadable(): Promise<void> {
  const keys = await inDatabase((db) => db.getAllKeys('outbox'));
  for (const key of keys) {
    const row = await inDatabase((db) => db.get('outbox', key));
    if (row && !isReadable(row)) await inDatabase((db) => db.delete('outbox', key));
  }
}

/**
 * Saves every edit of a class that was not saved, joined with what was saved elsewhere since. What cannot be joined
 * stays, for the teacher to decide.
 * @returns the classes that were not saved
 * @throws what asking throws where the server does not answer
 */
export async function saveUnsaved(): Promise<{ id: string; name: string }[]> {
  const left: { id: string; name: string }[] = [];
  for (const { key, classId, unsaved } of allUnsaved()) {
    if (!unsaved || (await saveOne(classId, unsaved))) localStorage.removeItem(key);
    else left.push({ id: classId, name: unsaved.plan.name });
  }
  return left;
}

/** @returns false where it was refused, or collides with what somebody else has saved */
async function saveOne(id: string, { plan, base, version }: Unsaved): Promise<boolean> {
  const save = (body: { plan: Unsaved['plan']; basedOn: number }) =>
    ask(CALLS.saveClass, { id, body });
  try {
    await save({ plan, basedOn: version });
    return true;
  } catch (error) {
    if (!(error instanceof Refused)) throw error;
    if (error.code !== 'changed-elsewhere') return false;
    const theirs = storedPlanSchema.parse(error.body);
    const joined = mergePlans(base, plan, theirs.plan);
    if (joined.collisions.length > 0) return false;
    await save({ plan: joined.plan, basedOn: theirs.version });
    return true;
  }
}

async function forgetCaches(): Promise<void> {
  if (!('caches' in globalThis)) return;
  for (const name of await caches.keys()) await caches.delete(name);
}

async function forgetWorkers(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  for (const worker of await navigator.serviceWorker.getRegistrations()) await worker.unregister();
}

/**
 * Leaves nothing of the studio in the browser. The server asks for the same when it answers; browsers heed that only
 * over a secure connection. Where a browser lets nobody at some of it, as in a private window, the rest goes all the
 * same, and nobody is kept signed in for it.
 */
export async function forgetStudio(): Promise<void> {
  localStorage.clear();
  sessionStorage.clear();
  const all = await Promise.allSettled([
    inDatabase((db) => Promise.all([db.clear('outbox'), db.clear('kept')])),
    forgetCaches(),
    forgetWorkers(),
  ]);
  for (const one of all) {
    if (one.status === 'rejected') console.warn('Not all could be forgotten.', one.reason);
  }
}
