import { newId } from './new-id';
import { remember } from './remember';

const KEY = 'upbeat-device';
const lockOf = (device: string) => `upbeat-device-${device}`;

/** Takes a lock for as long as the page lives; false where another tab holds it. */
async function hold(name: string): Promise<boolean> {
  const { locks } = navigator;
  // Without locks (no secure context) tabs cannot tell each other apart.
  if (!locks) return true;
  return new Promise((resolve) => {
    void locks.request(name, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });
}

let own: Promise<string> | undefined;

/** The id of this tab as a device that can lead: kept over a reload, never shared by two tabs. */
export function deviceId(): Promise<string> {
  own ??= (async () => {
    const known = sessionStorage.getItem(KEY);
    if (known && (await hold(lockOf(known)))) return known;
    const id = newId();
    remember(sessionStorage, KEY, id);
    await hold(lockOf(id));
    return id;
  })();
  return own;
}

/** Whether another tab of this browser is open under a device's id. */
export async function isOpenElsewhere(device: string): Promise<boolean> {
  if (device === (await deviceId())) return false;
  const held = (await navigator.locks?.query())?.held ?? [];
  return held.some((lock) => lock.name === lockOf(device));
}
