import { newId } from '../new-id';
import { homeOf } from './settings';

/**
 * Practice that was done alone on this device, by whom it belongs to. It waits here until the server has it, however
 * long there is no connection.
 */

export interface Practised {
  id: string;
  /** The token of the page it belongs to. */
  home: string;
  /** When it was over, epoch ms by this device's time of day. */
  at: number;
  seconds: number;
}

export const PRACTISED_PATH = '/api/home/practice';
const KEY = 'upbeat-practised';
/** Most that waits on one device; the oldest goes. The server counts ten a day and fourteen days back. */
export const MOST_WAITING = 140;

function waiting(): Practised[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept : [];
  } catch {
    // Nothing that this device wrote reads like that.
    return [];
  }
}

const keep = (all: readonly Practised[]) =>
  localStorage.setItem(KEY, JSON.stringify(all.slice(-MOST_WAITING)));

/** Notes that a class was done to its end. @returns its id; null where the device belongs to nobody with a page */
export function practised(seconds: number, at = Date.now()): string | null {
  const home = homeOf()?.split('/').at(-1);
  if (!home) return null;
  const id = newId();
  keep([...waiting(), { id, home, at, seconds }]);
  return id;
}

/** What a server says that has too much to do just now. */
const BUSY = 429;

/** Why the server does not count something. */
export interface Refused {
  code?: string | undefined;
  message: string;
}

/** What became of practice that was sent. */
export interface Sent {
  /** Ids that still wait. */
  waits: string[];
  /** Why the server does not count one, by its id. */
  refused: Record<string, Refused>;
}

let sending: Promise<Sent> | undefined;

/** Sends what waits, the oldest first; sending twice counts once. */
export function sendPractised(): Promise<Sent> {
  // What is noted while it is being sent is sent after it.
  const before = sending ?? Promise.resolve();
  // One that failed is over, and does not fail those after it.
  sending = before.catch(() => {}).then(send);
  return sending;
}

async function send(): Promise<Sent> {
  const refused: Sent['refused'] = {};
  for (const { home, ...one } of waiting()) {
    const response = await fetch(PRACTISED_PATH, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${home}` },
      body: JSON.stringify(one),
    }).catch(() => null);
    const answer = (await response?.json().catch(() => null)) as Partial<Refused> | null;
    // Without an answer of the server itself, or while it is busy or in trouble, it waits.
    if (!response || !answer || response.status >= 500 || response.status === BUSY) break;
    if (!response.ok) refused[one.id] = { code: answer.code, message: answer.message ?? '' };
    keep(waiting().filter((w) => w.id !== one.id));
  }
  return { waits: waiting().map((w) => w.id), refused };
}
