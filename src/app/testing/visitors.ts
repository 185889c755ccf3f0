import { inspect } from 'node:util';
import { afterEach, beforeAll, beforeEach, expect, vi } from 'vitest';
import { SIGN_IN_COOKIE, signInAs, signOut } from '@/server/auth/sign-ins';
import { NOON, testDatabase, testDatabaseUrl } from '@/server/testing/studio';
import { type Full, fullStudio, storedOf } from './two-studios';

/** Somebody who tries what they may: nobody in particular, or a teacher of one of two studios. */

const { jar, askedWith } = vi.hoisted(() => ({
  jar: new Map<string, string>(),
  /** What a page or an action is asked with. */
  askedWith: new Headers({ host: 'hall.example' }),
}));
vi.mock('next/headers', () => ({
  cookies: async () => ({
    get: (name: string) => (jar.has(name) ? { name, value: jar.get(name) } : undefined),
    set: (name: string, value: string) => void jar.set(name, value),
    delete: (name: string) => void jar.delete(name),
  }),
  headers: async () => askedWith,
}));
vi.mock('next/cache', () => ({ refresh: () => {}, revalidatePath: () => {} }));

export { askedWith, jar };
export type Module = Record<string, unknown>;

export const db = testDatabase();
/** What people of the other studio have written. */
const MARK = 'Zzother';
export let mine: Full;
export let other: Full;
/** All that is stored of the other studio, before anything is tried and after each try. */
let untouched: string;
let token: Record<'owner' | 'colleague' | 'revoked', string>;

beforeAll(async () => {
  process.env.DATABASE_URL = testDatabaseUrl();
  process.env.UPBEAT_SPEECH = 'off';
  vi.setSystemTime(NOON);
  mine = await fullStudio(db(), 'Mine');
  other = await fullStudio(db(), MARK);
  token = {
    owner: await signInAs(db(), mine.owner, Date.now()),
    colleague: await signInAs(db(), mine.colleague, Date.now()),
    revoked: await signInAs(db(), other.owner, Date.now()),
  };
  await signOut(db(), token.revoked, Date.now());
  untouched = await storedOf(db(), other.studioId);
});
beforeEach(() => jar.clear());
afterEach(async () => {
  expect(await storedOf(db(), other.studioId), 'what the other studio has').toBe(untouched);
});

/** What is in the jar, as a browser sends it. */
export const cookiesSent = () => [...jar].map(([name, value]) => `${name}=${value}`).join('; ');

export type Who = 'anybody' | 'revoked' | 'owner' | 'colleague';
export function be(who: Who): void {
  jar.clear();
  if (who !== 'anybody') jar.set(SIGN_IN_COOKIE, token[who]);
}

/** What came of it: an answer, where it leads, or that it was not found. */
export async function outcome(work: () => unknown): Promise<string> {
  try {
    const result = await work();
    if (result instanceof Response) {
      const text = result.headers.get('content-type')?.includes('event-stream')
        ? await firstOf(result)
        : await result.text();
      return `${result.status} ${text}`;
    }
    return `done ${inspect(result, { depth: null, maxStringLength: null, maxArrayLength: null })}`;
  } catch (error) {
    const { digest, code, message } = error as { digest?: string; code?: string; message: string };
    if (digest?.startsWith('NEXT_REDIRECT')) return `to ${digest.split(';')[2]}`;
    if (digest?.includes('404')) return '404';
    // A refusal is a sentence for whoever asked; anything else nobody foresaw.
    const told = code === 'owners-only' || code === 'signed-out';
    return told ? `refused ${code}` : `thrown ${message}`;
  }
}

async function firstOf(response: Response): Promise<string> {
  const reader = response.body?.getReader();
  let text = '';
  while (reader && !text.includes('data:')) {
    const { value, done } = await reader.read();
    if (done) break;
    text += new TextDecoder().decode(value);
  }
  await reader?.cancel();
  return text;
}

/** Nothing of the other studio came back. */
export async function harmless(
  work: () => unknown,
  asked: readonly string[] = [],
): Promise<string> {
  const came = await outcome(work);
  const known = new Set(asked);
  const leaked = Object.values(other.ids).filter((id) => came.includes(id) && !known.has(id));
  expect([leaked, came.includes(MARK) && !asked.some((a) => a.includes(MARK))]).toEqual([
    [],
    false,
  ]);
  expect(came).not.toMatch(/^thrown|^500/);
  return came;
}

/** Nobody foresaw it. */
export const isFault = (came: string) => /^thrown|^5\d\d/.test(came) && !came.startsWith('503');
/** What is tried at random is the same each time. */
export const SEED = 27_11;
