import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { localOf } from '@/core/calendar';
import { timeOfDay } from '@/core/formats';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { createClass } from '../classes/classes';
import { closuresOf } from '../closed/closed';
import { appendEvents, prepareRun } from '../runs';
import { getSession, sessionsBetween } from '../sessions/sessions';
import { lettersOf } from '../studio/letters';
import type { Post } from '../studio/post';
import {
  DAY,
  makeClass,
  NOON,
  shortPlan,
  type TestClass,
  testDatabase,
  weekly,
} from '../testing/studio';
import { type Change, callOff, changeSessions, restoreSession, WHICH } from './change';
import { closeFor, MOST_CLOSURES, reopen } from './closures';
import { foresee, planSessions, type Wish } from './plan';
import { tellCalledOff, tellMovedUp } from './tell';
import { changeAndTell, toldWords } from './telling';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const wish = (c: TestClass, more: Partial<Wish> = {}): Wish => ({
  start: '2026-12-01',
  time: '18:30',
  rule: weekly(5),
  classIds: [c.classId],
  teacherId: null,
  place: null,
  link: null,
  roomFor: null,
  ...more,
});
const plan = (c: TestClass, more: Partial<Wish> = {}) =>
  planSessions(db(), c, { wish: wish(c, more), zone: ZONE, now: NOON });

/** Sessions from a year before to a year after, as the clock on the wall shows them. */
async function calendar(c: TestClass) {
  const all = await sessionsBetween(db(), c, NOON - 366 * DAY, NOON + 366 * DAY);
  return all.map((s) => ({ ...s, at: localOf(s.startsAt, ZONE) }));
}

async function teacher(c: TestClass): Promise<Teacher> {
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  if (!me) throw new Error('not signed in');
  return me;
}

/** Begins a session, so that it may not be changed any more. */
async function beginIt(c: TestClass, sessionId: string, now: number) {
  const run = await prepareRun(db(), c, { sessionId, now });
  const drafts = [{ id: randomUUID(), type: 'started' as const, at: now }];
  await appendEvents(db(), c, { runId: run.id, drafts, now });
}

describe('planning', () => {
  it('puts a series on the calendar, with its place, its leader and its turns', async () => {
    const c = await makeClass(db());
    const other = await createClass(db(), c, { ...shortPlan(), name: 'Other' }, NOON);
    const of = { teacherId: c.teacherId, place: 'Hall 2', classIds: [c.classId, other] };
    const ids = await plan(c, { ...of, rule: weekly(3) });
    const all = (await calendar(c)).filter((s) => ids.includes(s.id));
    expect(all.map((s) => [s.at, s.occurrence, s.classId, s.teacherName, s.place])).toEqual([
      ['2026-12-01T18:30', '2026-12-01T18:30', c.classId, 'Test Teacher', 'Hall 2'],
      ['2026-12-08T18:30', '2026-12-08T18:30', other, 'Test Teacher', 'Hall 2'],
      ['2026-12-15T18:30', '2026-12-15T18:30', c.classId, 'Test Teacher', 'Hall 2'],
    ]);
    expect(new Set(all.map((s) => s.seriesId)).size).toBe(1);
  });

  it('shows first what would come and what is in its way, and stores nothing', async () => {
    const c = await makeClass(db());
    await plan(c, { rule: null, start: '2026-12-08', time: '18:25', place: 'hall 2' });
    const before = await calendar(c);
    const seen = await foresee(db(), c, { wish: wish(c, { place: 'Hall 2' }), zone: ZONE });
    expect(seen.map((s) => s.conflicts.map((x) => x.over))).toEqual([[], ['place'], [], [], []]);
    expect(await calendar(c)).toEqual(before);
  });

  it('refuses what no calendar can hold, and what another studio has', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const end = { by: 'day', last: '2199-12-31' } as const;
    const tries: [Partial<Wish>, string][] = [
      [{ rule: { repeats: 'daily', every: 1, end } }, 'too-many-sessions'],
      [
        { rule: { repeats: 'daily', every: 1, end: { by: 'day', last: '2026-11-30' } } },
        'no-sessions',
      ],
      [{ start: '2027-03-28', time: '01:30', rule: null }, 'time-missing'],
      [{ start: '2026-10-25', time: '01:30', rule: null }, 'time-twice'],
      [{ classIds: [other.classId] }, 'not-found'],
      [{ teacherId: other.teacherId }, 'not-found'],
    ];
    const before = await calendar(c);
    for (const [more, code] of tries) {
      await expect(plan(c, more)).rejects.toMatchObject({ code });
      await expect(foresee(db(), c, { wish: wish(c, more), zone: ZONE })).rejects.toMatchObject({
        code,
      });
    }
    expect(await calendar(c)).toEqual(before);
  });
});

describe('changing', () => {
  it('moves this one, those after it, or all to come, by the clock on the wall', async () => {
    const c = await makeClass(db());
    const ids = await plan(c, { start: '2026-10-20', rule: weekly(4) });
    const times = async () =>
      (await calendar(c)).filter((s) => ids.includes(s.id)).map((s) => s.at.slice(5));
    const now = Date.UTC(2026, 9, 1);
    const change = (i: number, which: (typeof WHICH)[number], at: string) =>
      changeSessions(db(), c, { id: ids[i] ?? '', which, now, zone: ZONE, change: { at } });
    expect((await change(1, 'this', '2026-10-28T19:00')).all.is).toHaveLength(1);
    expect(await times()).toEqual(['10-20T18:30', '10-28T19:00', '11-03T18:30', '11-10T18:30']);
    expect((await change(2, 'after', '2026-11-02T17:00')).all.is).toHaveLength(2);
    expect(await times()).toEqual(['10-20T18:30', '10-28T19:00', '11-02T17:00', '11-09T17:00']);
    expect((await change(0, 'all', '2026-10-21T18:30')).all.is).toHaveLength(4);
    expect(await times()).toEqual(['10-21T18:30', '10-29T18:30', '11-03T18:30', '11-10T18:30']);
  });

  it('asks first where a change would be in the way or in closed days, and not about what was so before', async () => {
    const c = await makeClass(db());
    const { teacherId } = c;
    const [one = ''] = await plan(c, { rule: null, teacherId, place: 'Hall 2' });
    const [two = ''] = await plan(c, { rule: null, start: '2026-12-02', place: 'hall 2' });
    await closeFor(db(), c, {
      closure: { from: '2026-12-08', to: '2026-12-08', name: 'Painted' },
      zone: ZONE,
      now: NOON,
    });
    const change = (id: string, to: Change, sure = false) =>
      changeSessions(db(), c, { id, which: 'this', now: NOON, zone: ZONE, change: to, sure });
    const inTheWay = (says: RegExp) => ({
      code: 'in-the-way',
      message: expect.stringMatching(says),
    });
    await expect(change(two, { at: '2026-12-01T18:25' })).rejects.toMatchObject(
      inTheWay(/Tue 1 Dec 2026, 18:30, is in the same place/),
    );
    await expect(change(two, { at: '2026-12-08T18:30' })).rejects.toMatchObject(
      inTheWay(/Tue 8 Dec 2026 is closed: Painted/),
    );
    expect((await getSession(db(), c, two)).occurrence).toBe('2026-12-02T18:30');
    expect((await change(two, { at: '2026-12-01T18:25' }, true)).all.is).toHaveLength(1);
    // It is in the way now; nobody is asked about that again, only about what is added to it.
    expect((await change(two, { link: 'https://call.example' })).all.is).toHaveLength(1);
    expect((await change(two, { place: ' HALL 2' })).all.is).toHaveLength(1);
    await expect(change(two, { teacherId })).rejects.toMatchObject(
      inTheWay(/with the same teacher/),
    );
    expect((await change(one, { at: '2026-12-03T18:30' })).all.is).toHaveLength(1);
  });

  it('never touches what is past, has begun or is another studio’s', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.record({
          which: fc.constantFrom(...WHICH),
          i: fc.nat(4),
          begun: fc.nat(4),
          weeks: fc.nat(5),
          off: fc.boolean(),
        }),
        async ({ which, i, begun, weeks, off }) => {
          const [c, other] = [await makeClass(db()), await makeClass(db())];
          const ids = await plan(c);
          const now = Date.UTC(2026, 11, 1, 12) + 7 * weeks * DAY;
          await beginIt(c, ids[begun] ?? '', now);
          const before = new Map((await calendar(c)).map((s) => [s.id, s]));
          const id = ids[i] ?? '';
          const reach = { id, which, now };
          const act = (of: TestClass) =>
            off
              ? callOff(db(), of, { ...reach, word: null })
              : changeSessions(db(), of, { ...reach, zone: ZONE, change: { place: 'Loft' } });
          await expect(act(other)).rejects.toMatchObject({ code: 'not-found' });
          if (i === begun) await expect(act(c)).rejects.toMatchObject({ code: 'led-already' });
          else await act(c);
          const from = which === 'after' ? (before.get(id)?.startsAt ?? 0) : 0;
          for (const s of await calendar(c)) {
            const concerned = s.id === id || (which !== 'this' && s.startsAt > Math.max(now, from));
            if (i !== begun && s.id !== ids[begun] && ids.includes(s.id) && concerned) {
              expect(off ? s.status : s.place).toBe(off ? 'cancelled' : 'Loft');
            } else expect(s).toEqual(before.get(s.id));
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  it('calls off with a word, writes to whoever is booked, and takes it back', async () => {
    const c = await makeClass(db());
    const me = await teacher(c);
    await db()('participants').where({ id: c.ada }).update({ contact: 'ada@example.org' });
    const ids = await plan(c, { rule: weekly(2) });
    const word = 'The hall has no heating.';
    const off = await callOff(db(), c, { id: ids[0] ?? '', which: 'all', now: NOON, word });
    expect(off.map((s) => s.id)).toEqual(ids);
    const tells = (now: number, post: Post | null) =>
      changeAndTell(db(), me, { now, post }, (t) => tellCalledOff(t, { sessions: off, word }));
    expect((await tells(NOON, null)).told).toMatch(
      /^ 1 letter was written\. No mail server .* Ben has given no email: tell them yourself\.$/,
    );
    const [letter] = await lettersOf(db(), me);
    expect(letter).toMatchObject({ recipient: 'ada@example.org' });
    expect(letter?.body).toMatch(/Tue 1 Dec 2026, 18:30\n.*Tue 8 Dec 2026, 18:30\n\nThe hall/);
    await db()('participants').where({ id: c.ben }).update({ contact: 'ben@example.org' });
    let asked = 0;
    const post = () => {
      asked++;
      return Promise.reject(new Error('no mail tonight'));
    };
    expect((await tells(NOON + 1, post)).told).toMatch(
      /^ 2 letters were written\. 2 could not be sent yet, and are tried again\.$/,
    );
    const troubles = (await lettersOf(db(), me)).map((l) => l.trouble);
    expect([asked, troubles.filter((t) => t?.includes('no mail tonight')).length]).toEqual([1, 1]);
    await restoreSession(db(), c, { id: ids[1] ?? '', zone: ZONE });
    const states = await Promise.all(ids.map((id) => getSession(db(), c, id)));
    expect(states.map((s) => [s.status, s.word])).toEqual([
      ['cancelled', word],
      ['planned', null],
    ]);
    expect(
      await callOff(db(), c, { id: ids[0] ?? '', which: 'all', now: NOON, word }),
    ).toHaveLength(1);
  });
});

it('letters are written in the language of whoever reads them, where the register knows it', async () => {
  const c = await makeClass(db());
  const me = await teacher(c);
  const person = (id: string, contact: string, language: string | null) =>
    db()('participants').where({ id }).update({ contact, language });
  await person(c.ada, 'ada@example.org', 'de');
  await person(c.ben, 'ben@example.org', null);
  const session = await getSession(db(), c, c.sessionId);
  const word = 'No heating.';
  await changeAndTell(db(), me, { now: NOON }, (t) =>
    tellCalledOff(t, { sessions: [session], word }),
  );
  const to = [c.ada, c.ben].map((participantId) => ({ participantId, sessionId: c.sessionId }));
  await changeAndTell(db(), me, { now: NOON + 1 }, (t) => tellMovedUp(t, to));
  const told = async (recipient: string) =>
    (await lettersOf(db(), me))
      .filter((letter) => letter.recipient === recipient)
      .sort((a, b) => a.writtenAt - b.writtenAt)
      .map(({ subject, body }) => [subject.split(': ')[1], ...body.split('\n\n')]);
  const { studioName } = me;
  const line = `${session.className}, `;
  const at = (day: string) => `${line}${day}, ${timeOfDay(session.startsAt, ZONE)}`;
  expect(await told('ada@example.org')).toEqual([
    [
      'fällt aus',
      'Hallo Ada,',
      `das findet nicht statt:\n${at('Di., 24. Nov. 2026')}`,
      word,
      `${studioName}\n`,
    ],
    [
      'es ist Platz für dich',
      'Hallo Ada,',
      `jetzt ist Platz für dich:\n${at('Di., 24. Nov. 2026')}`,
      'Wenn du nicht kommen kannst, sag Bescheid, dann kann jemand anderes kommen.',
      `${studioName}\n`,
    ],
  ]);
  expect(await told('ben@example.org')).toEqual([
    [
      'does not take place',
      'Hello Ben,',
      `this does not take place:\n${at('Tue 24 Nov 2026')}`,
      word,
      `${studioName}\n`,
    ],
    [
      'there is room for you',
      'Hello Ben,',
      `there is room for you now:\n${at('Tue 24 Nov 2026')}`,
      'If you cannot come, say so, and somebody else can.',
      `${studioName}\n`,
    ],
  ]);
});

it('what is said of letters tells which of them nobody has sent, and who has to be told by hand', () => {
  const says = (written: number, sent: number | null, ...without: string[]) =>
    toldWords({ written, sent, again: 0, soon: 0, without });
  const later = (sent: number, again: number) =>
    toldWords({ written: 3, sent, again, soon: 0, without: [] });
  const soon = (n: number) =>
    toldWords({ written: 30, sent: 30 - n, again: 0, soon: n, without: [] });
  expect(says(0, null)).toBe('Nobody had to be told.');
  expect(says(2, 2)).toBe('2 letters were written.');
  expect(says(3, 2)).toMatch(/^3 letters were written\. 1 could not be sent: hand them on/);
  expect(later(2, 1)).toBe('3 letters were written. 1 could not be sent yet, and is tried again.');
  expect(later(0, 2)).toMatch(
    / 2 could not be sent yet, and are tried again\. 1 could not be sent: /,
  );
  expect(soon(1)).toBe('30 letters were written. 1 of them goes out within minutes.');
  expect(soon(22)).toBe('30 letters were written. 22 of them go out within minutes.');
  expect(says(1, null)).toMatch(
    /^1 letter was written\. No mail server sends letters: hand them on/,
  );
  expect(says(1, 1, 'Ben')).toBe(
    '1 letter was written. Ben has given no email: tell them yourself.',
  );
});

describe('closures', () => {
  const half = { from: '2026-12-07', to: '2026-12-13', name: 'Half-term' };

  it('cancel what is planned in them, now and later, and give it back', async () => {
    const c = await makeClass(db());
    const before = await plan(c, { rule: weekly(3) });
    const { id, cancelled } = await closeFor(db(), c, { closure: half, zone: ZONE, now: NOON });
    expect(cancelled).toHaveLength(1);
    const after = await plan(c, { rule: weekly(3), time: '12:00' });
    const states = async (ids: string[]) =>
      (await Promise.all(ids.map((s) => getSession(db(), c, s)))).map((s) => s.closed ?? s.status);
    const expected = ['planned', 'Half-term', 'planned'];
    expect([await states(before), await states(after)]).toEqual([expected, expected]);
    await expect(reopen(db(), await makeClass(db()), id)).rejects.toMatchObject({
      code: 'not-found',
    });
    await reopen(db(), c, id);
    expect([await states(before), await states(after)].flat()).toEqual(Array(6).fill('planned'));
    expect(await closuresOf(db(), c)).toEqual([]);
  });

  it('are whole days in the studio’s zone, and leave what has begun alone', async () => {
    const c = await makeClass(db());
    const one = (start: string, time: string) =>
      plan(c, { rule: null, start, time }).then(([id]) => id ?? '');
    const zone = 'America/Santiago';
    const late = await planSessions(db(), c, {
      wish: wish(c, { rule: null, start: '2026-09-06', time: '23:45' }),
      zone,
      now: NOON,
    });
    const begun = await one('2026-09-06', '18:00');
    await beginIt(c, begun, Date.UTC(2026, 8, 6, 18));
    // On this day the clocks of Chile jump from midnight to one.
    const closure = { from: '2026-09-06', to: '2026-09-06', name: 'Clocks' };
    const { cancelled } = await closeFor(db(), c, { closure, zone, now: NOON });
    expect(cancelled).toHaveLength(1);
    expect((await getSession(db(), c, late[0] ?? '')).closed).toBe('Clocks');
    expect((await getSession(db(), c, begun)).status).toBe('planned');
  });

  it('are so many at most', async () => {
    const c = await makeClass(db());
    await db()('closures').insert(
      Array.from({ length: MOST_CLOSURES }, () => ({
        id: randomUUID(),
        studio_id: c.studioId,
        from_date: '2020-01-01',
        to_date: '2020-01-01',
        name: 'Old',
        created_at: new Date(NOON),
      })),
    );
    await expect(closeFor(db(), c, { closure: half, zone: ZONE, now: NOON })).rejects.toThrow(
      /200 closures at most/,
    );
  });
});
