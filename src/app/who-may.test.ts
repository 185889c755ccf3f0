import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { inspect } from 'node:util';
import { libraryMove } from '@library';
import { FILM } from '@testing/films';
import fc from 'fast-check';
import { NextRequest } from 'next/server';
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { emptyPlan } from '@/core/class';
import { SIGN_IN_COOKIE, signInAs, signOut } from '@/server/auth/sign-ins';
import { appendEvents } from '@/server/runs';
import { NOON, testDatabase, testDatabaseUrl } from '@/server/testing/studio';
import { type Full, fullStudio, type Ids, storedOf } from './testing/two-studios';

/**
 * Who may do what, tried on every page, handler and action that is found in this folder. One without an entry fails.
 * Whoever is no teacher of a studio neither learns nor changes anything of it: that is looked at in what comes back
 * and in what is stored, whatever the answer was.
 */

const jar = vi.hoisted(() => new Map<string, string>());
vi.mock('next/headers', () => ({
  cookies: async () => ({
    get: (name: string) => (jar.has(name) ? { name, value: jar.get(name) } : undefined),
    set: (name: string, value: string) => void jar.set(name, value),
    delete: (name: string) => void jar.delete(name),
  }),
  headers: async () => new Headers({ host: 'hall.example' }),
}));
vi.mock('next/cache', () => ({ refresh: () => {}, revalidatePath: () => {} }));

type Module = Record<string, unknown>;
const handlers = import.meta.glob<Module>('./**/route.ts');
const pages = import.meta.glob<Module>('./**/page.tsx');
const actions = Object.fromEntries(
  Object.entries(import.meta.glob<Module>('./**/*.ts')).filter(
    ([file]) =>
      !file.endsWith('.test.ts') &&
      readFileSync(path.join(import.meta.dirname, file), 'utf8').startsWith("'use server'"),
  ),
);

const db = testDatabase();
/** What people of the other studio have written. */
const MARK = 'Zzother';
let mine: Full;
let other: Full;
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
}, 60_000);
beforeEach(() => jar.clear());
afterEach(async () => {
  expect(await storedOf(db(), other.studioId), 'what the other studio has').toBe(untouched);
});

type Who = 'anybody' | 'revoked' | 'owner' | 'colleague';
function be(who: Who): void {
  jar.clear();
  if (who !== 'anybody') jar.set(SIGN_IN_COOKIE, token[who]);
}

/** What came of it: an answer, where it leads, or that it was not found. */
async function outcome(work: () => unknown): Promise<string> {
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
    return code === 'owners-only' ? `refused ${code}` : `thrown ${message}`;
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
async function harmless(work: () => unknown, asked: readonly string[] = []): Promise<string> {
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

// --- Handlers ---------------------------------------------------------------------------------

const event = (what: object) => ({ id: randomUUID(), at: NOON, ...what });
const device = randomUUID();
const sent = (...events: object[]) => ({ device, events });
const cue = { text: 'Let the jaw hang.', language: 'en' };

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
  'POST api/changes/[id]': { id: 'changes', body: () => ({ from: '2026-09-07' }) },
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
    body: ({ people }) => ({ participantId: people, from: '2026-09-07', said: { mark: 'here' } }),
    nested: ({ people }) => ({ participantId: people, from: '2026-09-07', said: { mark: 'here' } }),
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
    headers: { host: 'hall.example', 'content-type': type },
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

// --- Pages ------------------------------------------------------------------------------------

/** Pages with an id or a token in their address: which one. */
const PAGE_IDS: Record<string, keyof Ids> = {
  '(studio)/classes/[id]': 'classes',
  '(studio)/moves/[id]': 'moves',
  '(studio)/people/[id]': 'people',
  '(studio)/people/programmes/[id]': 'programmes',
  '(studio)/people/register/[id]': 'classes',
  '(studio)/sessions/[id]': 'sessions',
  'classes/[id]/print': 'classes',
  'lead/[id]': 'sessions',
  'lead/[id]/show': 'sessions',
};
/** Pages for whoever has the address. */
const OPEN_PAGES = [
  'begin/[[...token]]',
  'follow',
  'follow/[code]',
  'follow/again',
  'forgot',
  'home/[token]',
  'join/[token]',
  'reset/[token]',
  'sign-in',
];

const PAGES = Object.entries(pages).map(
  ([file, load]) => [file.slice(2).replace(/\/?page\.tsx$/, ''), load] as const,
);
const isOpen = (name: string) => OPEN_PAGES.includes(name);
const openPage = async (load: () => Promise<Module>, id: string, search: object = {}) => {
  const { default: page } = (await load()) as { default: (props: object) => unknown };
  const params = Promise.resolve({ id, token: id, code: id });
  return () => page({ params, searchParams: Promise.resolve(search) });
};

describe.each(PAGES.filter(([name]) => !isOpen(name)))('the page %s', (name, load) => {
  it('is for teachers of the studio only', async () => {
    const kind = PAGE_IDS[name];
    expect([name, name.includes('[')]).toEqual([name, kind !== undefined]);
    const theirs = kind ? other.ids[kind] : '';
    for (const who of ['anybody', 'revoked'] as const) {
      be(who);
      expect(await harmless(await openPage(load, theirs), [theirs])).toBe('to /sign-in');
    }
    be('owner');
    const came = await harmless(await openPage(load, theirs), [theirs]);
    if (kind) expect(came).toBe('404');
    else expect(came.slice(0, 4)).toMatch(/done|to/);
    for (const none of kind ? ['', 'x', '../../x', 'null', '\0', randomUUID()] : []) {
      expect([none, await harmless(await openPage(load, none))]).toEqual([none, '404']);
    }
  });
});

describe.each(PAGES.filter(([name]) => isOpen(name)))('the open page %s', (_, load) => {
  it('says nothing to whoever guesses', async () => {
    be('anybody');
    for (const guess of ['', 'x', randomUUID(), '\0']) {
      await harmless(await openPage(load, guess));
    }
  });
});

// --- Actions ----------------------------------------------------------------------------------

const form = (fields: Record<string, string> = {}) => {
  const made = new FormData();
  for (const [name, value] of Object.entries(fields)) made.set(name, value);
  return made;
};
const when = { day: '2026-12-01', time: '12:00', place: '', link: '', roomFor: '', teacherId: '' };
const weekly = { start: '2026-12-01', time: '12:00', repeats: 'weekly', count: '2', last: '' };
const chosen = (ids: Ids) => ({ ids: ids.people, query: '' });
const checkIn = { ease: '3', mind: '3', week: '1' };

/** What each action is given; with the ids of another studio they have to do no harm. */
const ACTIONS: Record<string, ((ids: Ids) => unknown[]) | 'open'> = {
  beginAction: 'open',
  forgotAction: 'open',
  resetAction: 'open',
  signInAction: 'open',
  enterDemo: 'open',
  switchThemeAction: 'open',
  findAction: 'open',
  comeInAction: 'open',
  'follow/leaveAction': 'open',
  'join/joinAction': 'open',
  logMineAction: 'open',
  dropMineAction: 'open',
  checkInMineAction: 'open',
  followMineAction: 'open',
  settleAction: (i) => [
    i.sessions,
    null,
    form({ answered: `${i.runs} ${i.questions}`, seen: i.notes }),
  ],
  forgetTalkAction: () => [],
  changeNameAction: () => [null, form({ name: 'Other name' })],
  changeEmailAction: () => [null, form({ email: 'a@harbour.example', current: 'x' })],
  changePasswordAction: () => [null, form({ password: 'terns over the pier', current: 'x' })],
  signOutDeviceAction: () => [null, form({ device: randomUUID() })],
  leadClassAction: (i) => [i.classes],
  goOnAction: (i) => [form({ sessionId: i.sessions })],
  closeAsItWasAction: (i) => [form({ sessionId: i.sessions })],
  beginAnewAction: (i) => [form({ sessionId: i.sessions })],
  changeSessionAction: (i) => {
    const fields = { ...when, classId: i.classes };
    const was = JSON.stringify({ ...fields, time: '11:00' });
    return [i.sessions, null, form({ ...fields, sure: 'on', was })];
  },
  comingAction: (i) => [i.sessions, null, form({ person: i.people })],
  callOffAction: (i) => [i.sessions, null, form({ word: 'x', which: 'this' })],
  restoreAction: (i) => [form({ id: i.sessions })],
  createClassAction: () => [null, form({ name: 'Mine', minutes: '20' })],
  importClassAction: () => [null, form()],
  readWrittenAction: () => ['Smile pulses, 30'],
  makeWrittenAction: () => [
    {
      name: 'Mine',
      minutes: '20',
      lines: [{ move: 'smile-pulses', seconds: null, rounds: null }],
    },
  ],
  planAction: (i) => [
    null,
    form({
      ...weekly,
      ...when,
      class0: i.classes,
      class1: '',
      class2: '',
      class3: '',
      step: 'plan',
      teacherId: i.teacher,
    }),
  ],
  closeAction: () => [null, form({ name: 'Storm', from: '2026-12-24', to: '2026-12-24' })],
  reopenAction: (i) => [form({ id: i.closures })],
  dropSessionAction: (i) => [{ id: i.sessions, at: '2026-12-02T10:00', sure: true }],
  bringAction: (i) => [null, form({ text: 'BEGIN:VCALENDAR', 'class 0': i.classes })],
  makeFeedAction: (i) => [i.people, null, form()],
  dropFeedAction: (i) => [i.people, null, form()],
  renameAction: () => [null, form({ name: 'Other', timeZone: 'UTC' })],
  changeNewClassAction: () => [null, form({ newClass: '{' })],
  changeRetentionAction: () => [null, form({ runsMonths: '', recordingsMonths: '' })],
  inviteAction: () => [null, form({ email: 'new@harbour.example', role: 'teacher' })],
  inviteStudioAction: () => [null, form({ email: 'new@harbour.example' })],
  withdrawAction: () => [form({ id: randomUUID() })],
  changeRoleAction: (i) => [form({ id: i.teacher, role: 'owner' })],
  removeTeacherAction: (i) => [form({ id: i.teacher })],
  removeDemoAction: () => [null, form()],
  deleteStudioAction: () => [null, form({ typedName: 'Hall', current: 'x' })],
  addPersonAction: () => [null, form({ name: 'New', contact: '' })],
  keepCautionsAction: (i) => [i.people, null, form({ withdraw: 'on' })],
  bookThemAction: (i) => [null, form({ ...chosen(i), classId: i.classes })],
  writeToThemAction: (i) => [null, form({ ...chosen(i), subject: 'Hello', body: 'Hello' })],
  giveThemAction: (i) => [null, form({ ...chosen(i), classId: i.classes })],
  changePersonAction: (i) => [i.people, null, form({ name: 'New', contact: '' })],
  bookAction: (i) => [i.people, null, form({ classId: i.classes })],
  bookingAction: (i) => [i.people, null, form({ end: i.classes })],
  pauseAction: (i) => [i.people, null, form({ from: '2026-12-01', to: '2026-12-02' })],
  noteAction: (i) => [i.people, null, form({ settle: i.notes })],
  practiceAction: (i) => [i.people, null, form({ day: '2026-11-24', minutes: '5' })],
  makeHomeAction: (i) => [i.people, null, form()],
  dropHomeAction: (i) => [i.people, null, form()],
  '(studio)/people/[id]/joinAction': (i) => [i.people, null, form({ person: i.person2 })],
  leaveAction: (i) => [i.people, null, form()],
  homeClassAction: (i) => [i.people, null, form({ minutes: '5', back: i.classes })],
  checkInConsentAction: (i) => [i.people, null, form({ withdraw: 'on' })],
  checkInAction: (i) => [i.people, null, form(checkIn)],
  eraseAction: (i) => [i.people, null, form({ name: 'Ada' })],
  knownAction: () => [[{ name: 'Marit', contact: '' }]],
  takeInAction: (i) => [[{ name: 'New', contact: '', language: '' }], i.classes],
  takeOutAction: (i) => [[i.people]],
  keepRuleAction: (i) => [
    i.classes,
    null,
    form({
      rule: 'twoMissed',
      from: '2026-12-01',
      name: '',
      times: '1',
      misses: '1',
      among: '4',
      leastShare: '50',
    }),
  ],
  makeProgrammeAction: (i) => [
    null,
    form({
      name: 'Quiet jaw',
      classId: i.classes,
      homeClassId: i.classes,
      rule: 'twoMissed',
      weeks: '4',
    }),
  ],
  enrolAction: (i) => [i.programmes, null, form({ person: i.people, from: '2026-12-01' })],
  endAction: (i) => [i.programmes, null, form()],
};

type Action = (...args: unknown[]) => Promise<unknown>;
const exported = await Promise.all(
  Object.entries(actions).map(async ([file, load]) =>
    Object.entries(await load()).map(([name, act]) => {
      const folder = path.dirname(file).slice(2);
      return [`${folder}/${name}`, act as Action] as const;
    }),
  ),
);
/** By the name of the action, with its folder where two have the same. */
const ACTION = new Map(
  exported.flat().map(([full, act]) => [full in ACTIONS ? full : full.split('/').at(-1), act]),
);

it('knows every action there is, and none that is not', () => {
  expect([...ACTION.keys()].toSorted()).toEqual(Object.keys(ACTIONS).toSorted());
});

const TRIED = Object.entries(ACTIONS).flatMap(([name, args]) =>
  args === 'open' ? [] : [[name, args] as const],
);
describe.each(TRIED)('the action %s', (name, args) => {
  const act = (given: unknown[]) => () => ACTION.get(name)?.(...given);
  const asked = () => Object.values(other.ids);

  it('is for teachers only', async () => {
    const before = await storedOf(db(), mine.studioId);
    for (const who of ['anybody', 'revoked'] as const) {
      be(who);
      for (const ids of [mine.ids, other.ids]) {
        expect(await harmless(act(args(ids)), asked())).toBe('to /sign-in');
      }
    }
    expect(await storedOf(db(), mine.studioId)).toBe(before);
  });

  it('does nothing to another studio, whichever ids it is given', async () => {
    be('owner');
    await harmless(act(args(other.ids)), asked());
    // One id of theirs among our own.
    for (const key of Object.keys(other.ids) as (keyof Ids)[]) {
      const mixed = { ...mine.ids, [key]: other.ids[key] };
      if (inspect(args(mixed)).includes(other.ids[key])) await harmless(act(args(mixed)), asked());
    }
  });
});

describe('what is done by an address', () => {
  it('is nobody’s who guesses it', async () => {
    be('anybody');
    for (const token of ['', 'x', '\0', randomUUID()]) {
      const byAddress = [
        'logMineAction',
        'dropMineAction',
        'checkInMineAction',
        'followMineAction',
      ];
      for (const name of byAddress) {
        const came = await harmless(() => ACTION.get(name)?.(token, null, form()));
        expect([name, came]).toEqual([name, '404']);
      }
    }
  });

  it('reaches one’s own things only', async () => {
    be('anybody');
    const practice = await db()('practice').where({ studio_id: other.studioId }).first('id');
    await harmless(() =>
      ACTION.get('dropMineAction')?.(mine.ids.homeToken, null, form({ drop: practice.id })),
    );
  });
});

// --- What nobody would send -------------------------------------------------------------------

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

describe('what nobody would send', () => {
  const seed = 27_11;
  const turns = fc.array(fc.nat({ max: 20 }), { minLength: 1, maxLength: 5 });
  const isFault = (came: string) => /^thrown|^5\d\d/.test(came) && !came.startsWith('503');

  it('gets a sentence from every call: 2,000 bodies of which something is odd', async () => {
    be('owner');
    const withBody = ASKED.flatMap(([name, e]) => (e.body ? [[name, e, e.body] as const] : []));
    const each = Math.ceil(2000 / withBody.length);
    for (const [name, entry, body] of withBody) {
      const id = entry.id ? mine.ids[entry.id] : '';
      const valid = JSON.parse(JSON.stringify((entry.nested ?? body)(mine.ids)));
      const made = fc.sample(fc.tuple(turns, odd), { numRuns: each, seed });
      for (const [at, value] of made) {
        const came = await outcome(call(name, id, with_(valid, at, value) as object));
        expect([name, at, value, isFault(came) && came]).toEqual([name, at, value, false]);
      }
    }
  }, 120_000);

  it('gets a page or none from every address', async () => {
    be('owner');
    const names = ['from', 'change', 'view', 'class', 'q', 'page', 'who', 'weeks', 'key', 'step'];
    const text = fc.constantFrom(
      '',
      '\0',
      '\ud83d',
      '-1',
      '1e308',
      '0000-01-01',
      '99999-01-01',
      'x',
    );
    const search = fc.dictionary(fc.constantFrom(...names), fc.oneof(text, fc.array(text)));
    for (const [name, load] of PAGES) {
      const kind = PAGE_IDS[name];
      for (const asked of fc.sample(search, { numRuns: 20, seed })) {
        const came = await outcome(await openPage(load, kind ? mine.ids[kind] : 'x', asked));
        expect([name, asked, isFault(came) && came]).toEqual([name, asked, false]);
      }
    }
  }, 120_000);

  it('gets a sentence from every action', async () => {
    be('owner');
    for (const [name, args] of TRIED) {
      for (const value of ['', '\0', '\ud83d', '-1', '1e308', '0000-01-01', '99999-01-01']) {
        const given = args(mine.ids).map((arg) => {
          if (!(arg instanceof FormData)) return arg;
          const bad = new FormData();
          for (const field of arg.keys()) bad.set(field, value);
          return bad;
        });
        const came = await outcome(() => ACTION.get(name)?.(...given));
        expect([name, value, isFault(came) && came]).toEqual([name, value, false]);
      }
    }
  }, 120_000);
});
