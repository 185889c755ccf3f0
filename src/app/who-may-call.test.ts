import { randomUUID } from 'node:crypto';
import { libraryMove } from '@library';
import { FILM } from '@testing/films';
import fc from 'fast-check';
import { NextRequest } from 'next/server';
import { describe, expect, it } from 'vitest';
import { emptyPlan } from '@/core/class';
import { SIGN_IN_COOKIE, signInAs, signOut } from '@/server/auth/sign-ins';
import { appendEvents } from '@/server/runs';
import { NOON } from '@/server/testing/studio';
import type { Ids } from './testing/two-studios';
import {
  be,
  cookiesSent,
  db,
  harmless,
  isFault,
  jar,
  type Module,
  mine,
  other,
  outcome,
  SEED,
} from './testing/visitors';

/**
 * Who may do what, tried on every handler that is found in this folder. One without an entry fails.
 * Whoever is no teacher of a studio neither learns nor changes anything of it: that is looked at in what comes back
 * and in what is stored, whatever the answer was.
 */

const handlers = import.meta.glob<Module>('./**/route.ts');

const event = (what: object) => ({ id: randomUUID(), at: NOON, ...what });
const device = randomUUID();
const sent = (...events: object[]) => ({ device, events });
const cue = { text: 'Let the jaw hang.', language: 'en' };

const hereOf = ({ people }: Ids) => ({
  change: randomUUID(),
  participantId: people,
  from: '2026-09-07',
  said: { mark: 'here' },
});

interface Entry {
  /** Which id stands in the path. */
  id?: keyof Ids;
  query?: string;
  /** Of what is sent, where it is not JSON. */
  type?: string;
  body?: (ids: Ids) => object;
  /** Bodies whose ids belong to another studio than the path. */
  nested?: (ids: Ids) => object;
  owners?: true;
}

/** Everything that a teacher may ask; 'open' needs no sign-in and has a test of its own. */
const HANDLERS: Record<string, Entry | 'open'> = {
  'GET api/archive': { owners: true },
  'POST api/archive': { owners: true, type: 'application/zip' },
  'POST api/changes/[id]': {
    id: 'changes',
    body: () => ({ change: randomUUID(), from: '2026-09-07' }),
  },
  'GET api/classes/[id]': { id: 'classes' },
  'PUT api/classes/[id]': {
    id: 'classes',
    body: () => ({ plan: emptyPlan('Mine now', 600), basedOn: 1 }),
  },
  'GET api/classes/[id]/audio': { id: 'classes', query: 'as=wav&counts=yes' },
  'GET api/classes/[id]/films': { id: 'classes' },
  'POST api/classes/[id]/films': { id: 'classes', body: () => FILM },
  'GET api/films/[id]': { id: 'films' },
  'POST api/films/[id]': { id: 'films', body: () => ({ does: 'stop' }) },
  'DELETE api/films/[id]': { id: 'films' },
  'GET api/classes/[id]/pack': { id: 'classes', query: 'counts=yes' },
  'GET api/classes/[id]/sheet': { id: 'classes' },
  'GET api/classes/[id]/words': { id: 'classes', query: 'as=vtt&counts=yes&language=en' },
  'GET api/classes/[id]/register': { id: 'classes', query: 'from=2026-09-07' },
  'GET api/classes/[id]/room': { id: 'classes', query: 'known=none' },
  'GET api/classes/[id]/versions': { id: 'classes' },
  'GET api/insights': { query: 'key=load' },
  'PUT api/moves/[id]': {
    id: 'moves',
    body: ({ moves }) => ({ move: { ...libraryMove('smile-pulses'), id: moves } }),
  },
  'DELETE api/moves/[id]': { id: 'moves' },
  'GET api/miniatures': { query: 'of=own&stamp=1' },
  'GET api/music': {},
  'POST api/music': { query: 'name=Evening', type: 'application/octet-stream' },
  'GET api/music/[id]': { id: 'music' },
  'PUT api/music/[id]': { id: 'music', body: () => ({ name: 'Mine now' }) },
  'DELETE api/music/[id]': { id: 'music' },
  'GET api/people': {},
  'GET api/people/[id]/held': { id: 'people' },
  'GET api/people/[id]/streaks': { id: 'people' },
  'GET api/recordings': {},
  'POST api/recordings': { body: () => ({ ...cue, wav: 'AAAA' }) },
  'GET api/recordings/[id]': { id: 'recordings' },
  'DELETE api/recordings/[id]': { id: 'recordings' },
  'POST api/voice/words': { body: () => ({ language: 'en', written: 'tern', said: 'turn' }) },
  'DELETE api/voice/words/[id]': { id: 'words' },
  'GET api/runs/[id]/events': { id: 'runs' },
  'POST api/runs/[id]/events': {
    id: 'runs',
    body: () => sent(event({ type: 'started' })),
    nested: ({ people }) =>
      sent(
        event({ type: 'marked', participantId: people, mark: 'here' }),
        event({ type: 'corrected', participantId: people, moveId: 'smile-pulses', note: 'x' }),
      ),
  },
  'POST api/runs/[id]/lead': { id: 'runs', body: () => ({ device }) },
  'GET api/runs/[id]/live': { id: 'runs' },
  'POST api/sessions/[id]/close': {
    id: 'sessions',
    body: () => ({ id: randomUUID(), at: NOON, device }),
  },
  'GET api/sessions/[id]/known': { id: 'sessions', query: 'name=Mar' },
  'GET api/sessions/[id]/door': { id: 'sessions' },
  'POST api/sessions/[id]/door': { id: 'sessions', body: () => ({ shut: false }) },
  'POST api/sessions/[id]/followers': {
    id: 'sessions',
    body: ({ followers }) => ({ followerId: followers }),
    nested: ({ followers }) => ({ followerId: followers }),
  },
  'POST api/sessions/[id]/marks': {
    id: 'sessions',
    body: hereOf,
    nested: hereOf,
  },
  'POST api/sessions/[id]/prepare': { id: 'sessions', body: () => ({}) },
  'GET api/sessions/[id]/roll': { id: 'sessions' },
  // Nobody knows of another's ticket, nor that there is one.
  'GET api/sounds/[id]': {},
  'GET api/speech': { query: 'text=Hi&language=en&rate=150' },
  'POST api/speech/measured': {
    body: () => ({
      voice: 'Harbour',
      measured: [{ text: 'Hi', language: 'en', wordsPerMinute: 150, ms: 400 }],
    }),
  },
  'POST api/speech/lengths': { body: () => ({ utterances: [] }) },
  'GET api/time': {},
  'GET api/voice': {},
  'PUT api/voice': {
    body: () => ({ voice: 'plain', voices: {}, ownVoice: true, speaksSelf: false }),
  },
  'GET api/follow/speech': 'open',
  'POST api/follow/questions': 'open',
  'GET api/home/classes/[id]/audio': 'open',
  'GET api/home/sounds/[id]': 'open',
  'POST api/home/practice': 'open',
  'GET feed/[token]': 'open',
  'GET health': 'open',
  'GET metrics': 'open',
  'GET ready': 'open',
  'POST sign-out': 'open',
};
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH'] as const;

const found = await Promise.all(
  Object.entries(handlers).map(async ([file, load]) => {
    const route = file.slice(2).replace(/\/?route\.ts$/, '');
    const module = await load();
    return METHODS.filter((m) => m in module).map((m) => [`${m} ${route}`, module[m]] as const);
  }),
);
const HANDLER = new Map<string, unknown>(found.flat());

function call(name: string, id: string, body?: object): () => unknown {
  const [method = '', route = ''] = name.split(' ');
  const { query, type = 'application/json' } = HANDLERS[name] as Entry;
  const url = `http://hall.example/${route.replace('[id]', id)}${query ? `?${query}` : ''}`;
  const request = new NextRequest(url, {
    method,
    headers: { host: 'hall.example', 'content-type': type, cookie: cookiesSent() },
    ...(body && { body: JSON.stringify(body) }),
  });
  const handler = HANDLER.get(name) as (r: Request, c: object) => Promise<Response>;
  return () => handler(request, { params: Promise.resolve({ id }) });
}

it('knows every handler there is, and none that is not', () => {
  expect([...HANDLER.keys()].toSorted()).toEqual(Object.keys(HANDLERS).toSorted());
});

const ASKED = Object.entries(HANDLERS).flatMap(([name, entry]) =>
  entry === 'open' ? [] : [[name, entry] as const],
);
describe.each(ASKED)('%s', (name, entry) => {
  const of = (ids: Ids) => (entry.id ? ids[entry.id] : '');

  it('is for nobody who is not signed in, or is no more', async () => {
    for (const who of ['anybody', 'revoked'] as const) {
      be(who);
      const ids = other.ids;
      const came = await harmless(call(name, of(ids), entry.body?.(ids)), [of(ids)]);
      expect([who, came.slice(0, 3)]).toEqual([who, '401']);
    }
  });

  it('finds nothing of another studio, and changes nothing of it', async () => {
    be('owner');
    if (entry.id) {
      const came = await harmless(call(name, of(other.ids), entry.body?.(mine.ids)), [
        of(other.ids),
      ]);
      // A move that another studio has under the same id is none of theirs.
      if (entry.id !== 'moves') expect(came.slice(0, 3)).toBe('404');
    } else await harmless(call(name, '', entry.body?.(other.ids)));
    if (entry.nested) {
      const came = await harmless(call(name, of(mine.ids), entry.nested(other.ids)), [
        other.ids.people,
      ]);
      expect(Number(came.slice(0, 3))).toBeGreaterThanOrEqual(400);
    }
  });

  it('is for owners only where it says so', async () => {
    be('colleague');
    const came = await harmless(call(name, of(mine.ids), entry.body?.(mine.ids)));
    if (entry.owners) expect(came.slice(0, 3)).toBe('403');
    else expect(came.slice(0, 3)).not.toBe('403');
  });
});

it('an open live stream ends with the sign-in it was opened with', async () => {
  const own = await signInAs(db(), mine.owner, Date.now());
  jar.set(SIGN_IN_COOKIE, own);
  const response = (await call('GET api/runs/[id]/live', mine.ids.runs)()) as Response;
  const reader = response.body?.getReader();
  const read = async () => new TextDecoder().decode((await reader?.read())?.value);
  expect(await read()).toContain('retry');
  await signOut(db(), own, Date.now());
  const scope = { studioId: mine.studioId };
  const drafts = [{ id: randomUUID(), at: NOON, type: 'parked' as const, note: 'After the end.' }];
  await appendEvents(db(), scope, { runId: mine.ids.runs, drafts, now: NOON });
  let after = '';
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    after += new TextDecoder().decode(part.value);
  }
  expect(after).not.toContain('After the end');
});

const ODD: readonly unknown[] = [
  null,
  '',
  '\0',
  '\ud83d',
  'x',
  'x'.repeat(20_000),
  -1,
  0.5,
  1e308,
  Number.MAX_SAFE_INTEGER,
  [],
  {},
  Array(6000).fill(0),
  '2026-02-30',
  '0000-01-01',
  '9999-12-31',
  '99999-01-01',
  randomUUID(),
  '__proto__',
  true,
];
const odd = fc.constantFrom(...ODD);

/** Some JSON with one value in it, found by turns, in the place of another. */
function with_(json: unknown, turns: readonly number[], value: unknown): unknown {
  const [turn, ...rest] = turns;
  if (turn === undefined || typeof json !== 'object' || json === null) return value;
  const keys = Object.keys(json);
  const key = keys[turn % Math.max(1, keys.length)];
  if (key === undefined) return value;
  const inner = with_((json as Record<string, unknown>)[key], rest, value);
  if (Array.isArray(json)) return json.map((v, i) => (String(i) === key ? inner : v));
  return { ...json, [key]: inner };
}
const turns = fc.array(fc.nat({ max: 20 }), { minLength: 1, maxLength: 5 });

it('gets a sentence from every call: 2,000 bodies of which something is odd', async () => {
  be('owner');
  const withBody = ASKED.flatMap(([name, e]) => (e.body ? [[name, e, e.body] as const] : []));
  const each = Math.ceil(2000 / withBody.length);
  for (const [name, entry, body] of withBody) {
    const id = entry.id ? mine.ids[entry.id] : '';
    const valid = JSON.parse(JSON.stringify((entry.nested ?? body)(mine.ids)));
    const made = fc.sample(fc.tuple(turns, odd), { numRuns: each, seed: SEED });
    for (const [at, value] of made) {
      const came = await outcome(call(name, id, with_(valid, at, value) as object));
      expect([name, at, value, isFault(came) && came]).toEqual([name, at, value, false]);
    }
  }
});
