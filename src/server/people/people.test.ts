import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { STREAK_RULES } from '@/core/streak';
import { roomOf } from '../compose/room';
import { setComing } from '../sessions/bookings';
import { mark, roll } from '../sessions/register';
import { planSession } from '../sessions/sessions';
import { sendWaiting } from '../studio/carry';
import { writeLetters } from '../studio/letters';
import {
  DAY,
  everybodyOf,
  MINUTE,
  makeClass,
  makeStudio,
  NOON,
  personOf,
  type TestClass,
  testDatabase,
} from '../testing/studio';
import { cautionsOf, keepCautions } from './carried';
import { PAGE, peopleAskedSchema, peoplePage, peopleShown } from './list';
import {
  addParticipant,
  book,
  changePerson,
  comeBack,
  dropPause,
  endBooking,
  leaveStudio,
  MOST_BOOKED,
  MOST_PAUSES,
  namesOfPeople,
  pause,
} from './people';
import { settleNote } from './person';
import {
  dropPractice,
  logPractice,
  MOST_A_DAY,
  makeHome,
  ownerOfHome,
  takeDayOff,
} from './practice';
import { keepRule, MOST_RULES, rulesFor, rulesOf } from './rules';
import { streaksBy } from './streaks';
import { knownAmong, takePeopleIn, takePeopleOut } from './take-in';
import { timesBy } from './times';
import { MOST_A_DAY as MOST_LETTERS_A_DAY, writeTo } from './write';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const AT_NOON = { zone: ZONE, now: NOON };

/** A session so many days before noon of 24 Nov 2026, a Tuesday, held, with marks. */
async function held(c: TestClass, days: number, marks: Record<string, 'here' | 'absent' | 'late'>) {
  const startsAt = NOON - days * DAY;
  const id = await planSession(db(), c, { classId: c.classId, startsAt, now: NOON });
  for (const [participantId, value] of Object.entries(marks)) {
    await mark(db(), c, { sessionId: id, participantId, value, now: startsAt });
  }
  await db()('sessions').where({ id }).update({ status: 'held' });
  return id;
}
const namesOn = async (c: TestClass, sessionId: string) =>
  (await roll(db(), c, sessionId)).filter((e) => e.booked).map((e) => e.name);
const streakOfAda = async (c: TestClass) => {
  const streaks = await streaksBy(db(), c, { whose: { participantIds: [c.ada] }, ...AT_NOON });
  return streaks.get(c.ada)?.[0]?.streak.current;
};

describe('people of one name', () => {
  it('are told apart by how often they came, wherever one of them is chosen', async () => {
    const c = await makeClass(db());
    const other = await makeClass(db());
    const second = await addParticipant(db(), c, {
      person: { name: 'áda', contact: null },
      joinedOn: '2026-01-01',
      now: NOON,
    });
    await held(c, 7, { [c.ada]: 'here', [second]: 'absent' });
    await held(c, 14, { [c.ada]: 'late' });
    await held(other, 7, { [other.ada]: 'here' });
    const shown = async (of: TestClass) =>
      (await namesOfPeople(db(), of)).map((p) => [p.id, p.name, p.shown]);
    expect(await shown(c)).toEqual([
      [c.ada, 'Ada', 'Ada (2×)'],
      [c.ben, 'Ben', 'Ben'],
      [second, 'áda', 'áda (new)'],
    ]);
    // Of another studio nobody is a namesake.
    expect((await shown(other))[0]).toEqual([other.ada, 'Ada', 'Ada']);
    const asked = { classId: c.classId, ...AT_NOON };
    expect((await roomOf(db(), c, asked)).people.map((p) => p.name)).toEqual(['Ada', 'Ben']);
    await book(db(), c, { participantId: second, classId: c.classId, now: NOON });
    expect((await roomOf(db(), c, asked)).people.map((p) => p.name)).toEqual([
      'Ada (2×)',
      'Ben',
      'áda (new)',
    ]);
  });
});

describe('bookings', () => {
  it('end, and leave what was', async () => {
    const c = await makeClass(db());
    const before = await held(c, 7, { [c.ada]: 'here', [c.ben]: 'here' });
    await endBooking(db(), c, { participantId: c.ada, classId: c.classId, now: NOON - DAY });
    expect(await namesOn(c, c.sessionId)).toEqual(['Ben']);
    expect(await namesOn(c, before)).toEqual(['Ada', 'Ben']);
    expect(await streakOfAda(c)).toBe(1);
    await expect(
      endBooking(db(), c, { participantId: c.ada, classId: c.classId, now: NOON }),
    ).rejects.toMatchObject({ code: 'not-found' });
  });

  it('are so many on a class at most, also of many who are taken in', async () => {
    const c = await makeClass(db());
    const of = { studio_id: c.studioId };
    const crowd = Array.from({ length: MOST_BOOKED - 3 }, () => randomUUID());
    const about = { ...of, name: 'One of many', joined_on: '2026-01-01' };
    const at = new Date(NOON);
    await db()('participants').insert(crowd.map((id) => ({ ...about, id, created_at: at })));
    await db()('bookings').insert(
      crowd.map((participant_id) => ({
        ...of,
        class_id: c.classId,
        participant_id,
        since: at,
      })),
    );
    const list = (names: string[]) =>
      takePeopleIn(db(), c, {
        people: names.map((name) => ({ id: randomUUID(), name, contact: null, language: null })),
        classId: c.classId,
        joinedOn: '2026-01-01',
        now: NOON,
      });
    await expect(list(['Cleo', 'Dov'])).rejects.toMatchObject({ code: 'too-many-booked' });
    const [cleo = ''] = await list(['Cleo']);
    const dov = await addParticipant(db(), c, {
      person: { name: 'Dov', contact: null },
      joinedOn: '2026-01-01',
      now: NOON,
    });
    const on = (participantId: string) => ({ participantId, classId: c.classId, now: NOON });
    await expect(book(db(), c, on(dov))).rejects.toThrow('A class or a session takes 500 bookings');
    // Who is booked already is no one more, and who leaves makes room.
    await book(db(), c, on(cleo));
    await endBooking(db(), c, on(cleo));
    await book(db(), c, on(dov));
    await expect(book(db(), c, on(cleo))).rejects.toMatchObject({ code: 'too-many-booked' });
  });

  it('go on where they stopped, and what lies between was a pause', async () => {
    const c = await makeClass(db());
    await held(c, 28, { [c.ada]: 'here' });
    await endBooking(db(), c, { participantId: c.ada, classId: c.classId, now: NOON - 27 * DAY });
    await held(c, 21, { [c.ada]: 'absent' });
    const again = { participantId: c.ada, classId: c.classId, now: NOON - 8 * DAY, zone: ZONE };
    await book(db(), c, again);
    await held(c, 7, { [c.ada]: 'here' });
    expect(await streakOfAda(c)).toBe(2);
    const ada = await personOf(db(), c, c.ada);
    expect(ada.pauses).toMatchObject([{ from: '2026-10-28', to: '2026-11-15' }]);
  });
});

describe('a pause', () => {
  it('takes somebody off who is expected, keeps their cautions on the roll, and can be taken back', async () => {
    const c = await makeClass(db());
    const span = { from: '2026-11-24', to: '2026-11-30' };
    const id = await pause(db(), c, { participantId: c.ada, span, now: NOON });
    expect(await namesOn(c, c.sessionId)).toEqual(['Ben']);
    const known = (await roll(db(), c, c.sessionId)).map((e) => [e.name, e.booked, e.away]);
    expect(known).toEqual([
      ['Ada', false, true],
      ['Ben', true, false],
    ]);
    await dropPause(db(), c, { participantId: c.ada, id, now: NOON });
    expect(await namesOn(c, c.sessionId)).toEqual(['Ada', 'Ben']);
  });

  it('is one of so many at most', async () => {
    const c = await makeClass(db());
    const span = { from: '2026-01-01', to: '2026-01-01' };
    const one = () => pause(db(), c, { participantId: c.ada, span, now: NOON });
    for (let i = 0; i < MOST_PAUSES; i++) await one();
    await expect(one()).rejects.toMatchObject({ code: 'too-many-pauses' });
  });
});

describe('somebody who leaves', () => {
  it('is in no list any more and expected nowhere, and is back as they were', async () => {
    const c = await makeClass(db());
    await makeHome(db(), c, c.ada);
    // Booked on one session more than by the class.
    const extra = await planSession(db(), c, {
      classId: c.classId,
      startsAt: NOON + DAY,
      now: NOON,
    });
    const once = { sessionId: extra, participantId: c.ada, now: NOON - 2 * DAY };
    await setComing(db(), c, { ...once, coming: false });
    await setComing(db(), c, { ...once, coming: true });
    await leaveStudio(db(), c, { id: c.ada, on: '2026-11-23', now: NOON - DAY });
    expect((await everybodyOf(db(), c)).map((p) => p.name)).toEqual(['Ben']);
    for (const id of [c.sessionId, extra]) expect(await namesOn(c, id)).toEqual(['Ben']);
    expect(await personOf(db(), c, c.ada)).toMatchObject({ leftOn: '2026-11-23', hasHome: false });
    await comeBack(db(), c, c.ada);
    expect((await everybodyOf(db(), c)).map((p) => p.name)).toEqual(['Ada', 'Ben']);
  });

  it('can be renamed, and asks not to be greeted', async () => {
    const c = await makeClass(db());
    const person = { name: ' Ada of the pier ', contact: ' ', language: 'de' as const };
    await changePerson(db(), c, { id: c.ada, ...person, greet: false });
    const ada = { name: 'Ada of the pier', contact: null, language: 'de', greet: false };
    expect(await personOf(db(), c, c.ada)).toMatchObject(ada);
    // What is not given stays as it is, the language too.
    await changePerson(db(), c, { id: c.ada, contact: 'ada@pier.example' });
    await changePerson(db(), c, { id: c.ada });
    const reached = { ...ada, contact: 'ada@pier.example' };
    expect(await personOf(db(), c, c.ada)).toMatchObject(reached);
    await expect(changePerson(db(), c, { id: c.ada, name: ' ' })).rejects.toThrow('Write the name');
  });
});

describe('practice at home', () => {
  it('is logged up to now, not long ago, and so many times a day', async () => {
    const c = await makeClass(db());
    const log = (at: number) =>
      logPractice(db(), c, {
        participantId: c.ada,
        at,
        seconds: 180,
        byTeacher: true,
        ...AT_NOON,
      });
    await expect(log(NOON + 1)).rejects.toMatchObject({ code: 'practice-then' });
    await expect(log(NOON - 15 * DAY)).rejects.toMatchObject({ code: 'practice-then' });
    for (let i = 0; i < MOST_A_DAY; i++) await log(NOON - i);
    await expect(log(NOON - DAY / 4)).rejects.toMatchObject({ code: 'practice-enough' });
    await log(NOON - DAY);
    const { practice } = await personOf(db(), c, c.ada);
    expect(practice).toHaveLength(MOST_A_DAY + 1);
    const [newest] = practice;
    if (!newest) throw new Error('none');
    await dropPractice(db(), c, { participantId: c.ada, id: newest.id });
    expect((await personOf(db(), c, c.ada)).practice).toHaveLength(MOST_A_DAY);
  });

  it('has days off, which can be taken back', async () => {
    const c = await makeClass(db());
    const take = (day: string, off: boolean) =>
      takeDayOff(db(), c, { participantId: c.ada, day, off });
    for (const day of ['2026-11-20', '2026-11-21', '2026-11-21']) await take(day, true);
    await take('2026-11-20', false);
    expect((await personOf(db(), c, c.ada)).daysOff).toEqual(['2026-11-21']);
  });

  it('that is sent twice is stored once', async () => {
    const c = await makeClass(db());
    const id = randomUUID();
    const sent = { participantId: c.ada, at: NOON, seconds: null, byTeacher: false, id };
    for (let i = 0; i < 2; i++) await logPractice(db(), c, { ...sent, ...AT_NOON });
    expect((await personOf(db(), c, c.ada)).practice).toHaveLength(1);
  });

  it('has an address that says whose it is until it is made anew', async () => {
    const c = await makeClass(db());
    const first = await makeHome(db(), c, c.ada);
    expect(await ownerOfHome(db(), first)).toMatchObject({ participantId: c.ada, name: 'Ada' });
    const second = await makeHome(db(), c, c.ada);
    expect(await ownerOfHome(db(), first)).toBeNull();
    expect(await ownerOfHome(db(), second)).not.toBeNull();
    expect(await ownerOfHome(db(), '')).toBeNull();
  });
});

describe('rules', () => {
  const rule = STREAK_RULES.mostOf;
  const keep = (c: TestClass, classId: string | null, from: string) =>
    keepRule(db(), c, { classId, from, rule, today: '2026-11-24', now: NOON });

  it('are the studio’s until a class has its own, and never begin in the past', async () => {
    const c = await makeClass(db());
    await expect(keep(c, null, '2026-11-23')).rejects.toMatchObject({ code: 'rule-in-the-past' });
    await keep(c, null, '2026-11-24');
    await keep(c, c.classId, '2026-12-01');
    const all = await rulesOf(db(), c);
    const froms = (id: string) => rulesFor(all, id).map((r) => [r.from, r.rule.name]);
    expect(froms(c.classId)).toEqual([
      ['1900-01-01', 'Every meeting'],
      ['2026-11-24', rule.name],
      ['2026-12-01', rule.name],
    ]);
    expect(froms(randomUUID())).toHaveLength(2);
  });

  it('give way to what is chosen later for the same days', async () => {
    const c = await makeClass(db());
    for (const from of ['2026-12-10', '2026-12-05', '2026-12-05']) await keep(c, null, from);
    expect((await rulesOf(db(), c)).map((r) => r.from)).toEqual(['2026-12-05']);
  });

  it('are changed so many times at most, and one that holds already is no change', async () => {
    const c = await makeClass(db());
    await keep(c, null, '2026-11-24');
    await keep(c, null, '2026-12-24');
    expect((await rulesOf(db(), c)).map((r) => r.from)).toEqual(['2026-11-24']);
    const more = (i: number) => ({
      ...{ id: randomUUID(), studio_id: c.studioId, class_id: c.classId, rule },
      ...{ from_date: new Date(NOON - i * DAY), created_at: new Date(NOON) },
    });
    await db()('streak_rules').insert(
      Array.from({ length: MOST_RULES - 1 }, (_, i) => more(i + 2)),
    );
    const other = { classId: null, from: '2026-12-24', rule: STREAK_RULES.every };
    await expect(keepRule(db(), c, { ...other, today: '2026-11-24', now: NOON })).rejects.toThrow(
      '2000 times at most',
    );
    await keep(c, null, '2026-12-24');
  });

  it('leave streaks of before as they were', async () => {
    const c = await makeClass(db());
    await held(c, 14, { [c.ada]: 'here' });
    await held(c, 7, { [c.ada]: 'absent' });
    await keep(c, c.classId, '2026-11-24');
    expect(await streakOfAda(c)).toBe(0);
  });
});

describe('the list of people', () => {
  const asked = (of: object) => ({ ...peopleAskedSchema.parse(of), ...AT_NOON });

  it('finds by name and contact, and pages', async () => {
    const c = await makeStudio(db());
    for (let i = 0; i < PAGE + 3; i++) {
      const name = `Person ${String(i).padStart(2, '0')}`;
      const person = { name, contact: i === 5 ? 'tern@example.org' : null };
      await addParticipant(db(), c, { person, joinedOn: '2026-01-01', now: NOON });
    }
    const names = async (of: object) =>
      (await peoplePage(db(), c, asked(of))).people.map((p) => p.name);
    expect(await names({})).toHaveLength(PAGE);
    expect(await names({ page: '2' })).toEqual(['Person 50', 'Person 51', 'Person 52']);
    expect(await names({ find: 'TERN@' })).toEqual(['Person 05']);
    expect(await names({ find: '%' })).toEqual([]);
    // What is no text, as an address may have it, is as if nothing was looked for.
    expect(await names({ find: 'x\0' })).toHaveLength(PAGE);
    expect((await names({ down: 'true' }))[0]).toBe('Person 52');
    expect(await peopleShown(db(), c, asked({}))).toHaveLength(PAGE + 3);
    expect(await peopleShown(db(), c, asked({ sort: 'seen' }))).toHaveLength(PAGE + 3);
  });

  it('counts what was come to, sorts by it, and shows who has a mark', async () => {
    const c = await makeClass(db());
    await held(c, 70, { [c.ada]: 'here', [c.ben]: 'here' });
    await held(c, 14, { [c.ada]: 'here', [c.ben]: 'absent' });
    await held(c, 7, { [c.ada]: 'absent', [c.ben]: 'absent' });
    const list = async (of: object) => (await peoplePage(db(), c, asked(of))).people;
    const [ada, ben] = await list({});
    expect(ada).toMatchObject({ times: 2, in4: { came: 1, of: 2 }, in12: { came: 2, of: 3 } });
    expect(ben).toMatchObject({ times: 1, in4: { came: 0, of: 2 }, in12: { came: 1, of: 3 } });
    // Counted by SQL instead.
    const times = await timesBy(db(), c);
    for (const p of [ada, ben]) {
      expect(times.get(p?.id ?? '')).toMatchObject({ times: p?.times, lastAt: p?.lastAt });
    }
    expect((await list({ sort: 'attended', down: 'true' })).map((p) => p.name)).toEqual([
      'Ada',
      'Ben',
    ]);
    expect((await list({ sort: 'attended' })).map((p) => p.name)).toEqual(['Ben', 'Ada']);
    expect((await list({ show: 'unseen' })).map((p) => [p.name, p.marks[0]?.says])).toEqual([
      ['Ben', 'not seen for 10 weeks'],
    ]);
    // Everybody here came first within the year; nobody who never came is a newcomer.
    expect(await list({ show: 'newcomers' })).toHaveLength(2);
    // Whoever is looked for among all has the same figures as on a page of few.
    expect(await list({ sort: 'seen' })).toEqual(expect.arrayContaining([ada, ben]));
  });
});

describe('many people at once', () => {
  const people = [
    { id: randomUUID(), name: 'Cleo', contact: 'cleo@example.org', language: null },
    { id: randomUUID(), name: 'ada', contact: null, language: null },
  ];

  it('are looked for on the register, taken in, and out again as long as nothing is known of them', async () => {
    const c = await makeClass(db());
    const known = await knownAmong(
      db(),
      c,
      people.map((p) => ({ name: p.name, contact: p.contact ?? '' })),
    );
    expect(known.map((k) => k?.name ?? null)).toEqual([null, 'Ada']);
    const ids = await takePeopleIn(db(), c, { people, joinedOn: '2026-11-24', now: NOON });
    expect((await everybodyOf(db(), c)).map((p) => p.name.toLowerCase())).toEqual([
      'ada',
      'ada',
      'ben',
      'cleo',
    ]);
    const [cleo = ''] = ids;
    for (const participantId of ids)
      await book(db(), c, { participantId, classId: c.classId, now: NOON });
    await mark(db(), c, { sessionId: c.sessionId, participantId: cleo, value: 'here', now: NOON });
    expect(await takePeopleOut(db(), c, ids)).toBe(1);
    expect((await everybodyOf(db(), c)).map((p) => p.name)).toEqual(['Ada', 'Ben', 'Cleo']);
  });

  it('are taken in once and booked, however often it is asked for, all of them or none', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const named = (name: string, id: string = randomUUID()) => ({
      id,
      name,
      contact: null,
      language: null,
    });
    const list = [named('Dina'), named('Emil')];
    const at = { joinedOn: '2026-11-24', now: NOON };
    const takeIn = (all: typeof list, classId = c.classId) =>
      takePeopleIn(db(), c, { people: all, classId, ...at });
    const ids = await takeIn(list);
    expect(ids).toEqual(list.map((p) => p.id));
    await db()('participants').where({ id: ids[0] }).update({ name: 'Dina of the dunes' });
    // The answer was lost, and one more line was found to be right meanwhile.
    expect(await takeIn([...list, named('Fynn')])).toHaveLength(3);
    const names = async () => (await everybodyOf(db(), c)).map((p) => p.name);
    expect(await names()).toEqual(['Ada', 'Ben', 'Dina of the dunes', 'Emil', 'Fynn']);
    const booked = await db()('bookings').where({ class_id: c.classId }).whereNull('until');
    expect(booked).toHaveLength(5);

    await expect(takeIn([named('Gero')], other.classId)).rejects.toMatchObject({
      code: 'not-found',
    });
    expect(await names()).toHaveLength(5);
    // An id that somebody has in another studio is answered as any other.
    const [id] = await takeIn([named('Hanne', other.ada)]);
    expect(id).not.toBe(other.ada);
    expect((await personOf(db(), other, other.ada)).name).toBe('Ada');
    expect(await names()).toContain('Hanne');
  });
});

it('the same letter is written once within an hour, also where its answer was lost', async () => {
  const [c, other] = [await makeClass(db()), await makeClass(db())];
  for (const of of [c, other])
    await changePerson(db(), of, { id: of.ada, contact: 'ada@pier.example' });
  const write = (of: typeof c, now: number, body = 'The hall is warm again.') =>
    writeTo(db(), of, { ids: [of.ada, of.ben], subject: 'Heating', body, now, post: null });
  expect(await write(c, NOON)).toEqual({
    ...{ written: 1, sent: null, again: 0, soon: 0, already: 0, without: ['Ben'] },
  });
  expect(await write(c, NOON + 59 * MINUTE)).toMatchObject({
    written: 0,
    sent: null,
    already: 1,
    without: ['Ben'],
  });
  expect(await write(c, NOON + MINUTE, 'It is cold.')).toMatchObject({ written: 1, already: 0 });
  expect(await write(other, NOON)).toMatchObject({ written: 1, already: 0 });
  expect(await write(c, NOON + 61 * MINUTE)).toMatchObject({ written: 1, already: 0 });
  // Two who have one address have one letter.
  await changePerson(db(), other, { id: other.ben, contact: 'Ada@pier.example' });
  const both = { written: 1, already: 0, without: [] };
  expect(await write(other, NOON, 'The boiler is new.')).toMatchObject(both);
});

it('a letter that the mail server refused is written again, and one that it took or may take is not', async () => {
  const c = await makeClass(db());
  await changePerson(db(), c, { id: c.ada, contact: 'ada@pier.example' });
  await changePerson(db(), c, { id: c.ben, contact: 'ben@pier.example' });
  const taken: string[] = [];
  const refused = Object.assign(new Error('no such mailbox'), {
    ...{ code: 'EENVELOPE', responseCode: 550 },
  });
  const write = (problem: Error | null, now: number) =>
    writeTo(db(), c, {
      ids: [c.ada, c.ben],
      subject: 'Heating',
      body: 'The hall is warm again.',
      now,
      post: async ({ recipient }) => {
        if (problem && taken.length > 0) throw problem;
        taken.push(recipient);
      },
    });
  const [at, none] = [(minutes: number) => NOON + minutes * MINUTE, { written: 0, already: 2 }];
  expect(await write(refused, at(0))).toMatchObject({ written: 2, sent: 1, again: 0, already: 0 });
  const away = new Error('no answer');
  expect(await write(away, at(1))).toMatchObject({ written: 1, sent: 0, again: 1, already: 1 });
  expect(await write(null, at(1.5))).toMatchObject(none);
  const post = async ({ recipient }: { recipient: string }) => void taken.push(recipient);
  expect(await sendWaiting(db(), { now: () => at(2), post })).toBe(1);
  expect(await write(null, at(3))).toMatchObject(none);
  expect(taken).toEqual(['ada@pier.example', 'ben@pier.example']);
});

it('notes on form are settled and opened again', async () => {
  const c = await makeClass(db());
  const id = randomUUID();
  await db()('form_notes').insert({
    id,
    studio_id: c.studioId,
    participant_id: c.ada,
    session_id: c.sessionId,
    move_id: 'tall-o-cheek-lift',
    note: 'left corner lower',
    noted_at: new Date(NOON),
  });
  const settle = (settled: boolean) =>
    settleNote(db(), c, { participantId: c.ada, id, settled, now: NOON });
  const watched = async () =>
    (await roll(db(), c, c.sessionId)).find((e) => e.participantId === c.ada)?.notes.length;
  expect(await watched()).toBe(1);
  await settle(true);
  // Nobody is told to watch for what is settled.
  expect(await watched()).toBe(0);
  expect((await personOf(db(), c, c.ada)).notes).toMatchObject([{ settledAt: NOON }]);
  await settle(false);
  expect((await personOf(db(), c, c.ada)).notes).toMatchObject([{ settledAt: null }]);
});

it('keeps no cautions over what somebody else has kept meanwhile', async () => {
  const c = await makeClass(db());
  const of = { participantId: c.ada, consentOn: '2026-11-24' };
  const [jaw, neck] = [{ caution: 'jaw' as const }, { caution: 'neck' as const }];
  await keepCautions(db(), c, { ...of, cautions: [jaw], was: [] });
  const late = keepCautions(db(), c, { ...of, cautions: [neck], was: [] });
  await expect(late).rejects.toMatchObject({ code: 'cautions-changed' });
  expect(await cautionsOf(db(), c, c.ada)).toEqual([jaw]);
  // The same list with its fields in another order is the same list.
  const skin = { areas: ['nose' as const], caution: 'skin' as const };
  await keepCautions(db(), c, { ...of, cautions: [jaw, skin], was: [jaw] });
  const was = [jaw, { caution: 'skin' as const, areas: ['nose' as const] }];
  await keepCautions(db(), c, { ...of, cautions: [neck], was });
  expect(await cautionsOf(db(), c, c.ada)).toEqual([neck]);
  const other = await makeClass(db());
  await expect(cautionsOf(db(), other, c.ada)).rejects.toMatchObject({ code: 'not-found' });
});

it('a studio writes so many letters in a day at most, and what is told by itself counts and is never refused', async () => {
  const c = await makeClass(db());
  await changePerson(db(), c, { id: c.ada, contact: 'ada@pier.example' });
  const write = (now: number, body: string) =>
    writeTo(db(), c, { ids: [c.ada], subject: 'Heating', body, now, post: null });
  const letter = { recipient: 'ben@pier.example', subject: 'Moved', body: 'To Thursday.' };
  const told = (count: number) =>
    writeLetters(db(), c, Array(count).fill(letter), { now: NOON, post: null });
  await told(MOST_LETTERS_A_DAY - 1);
  expect(await write(NOON + MINUTE, 'It is warm.')).toMatchObject({ written: 1 });
  const refused = write(NOON + DAY - 1, 'It is cold.');
  await expect(refused).rejects.toThrow(`writes ${MOST_LETTERS_A_DAY} letters in a day`);
  // Who has it already is told so.
  expect(await write(NOON + 2 * MINUTE, 'It is warm.')).toMatchObject({ written: 0, already: 1 });
  expect(await told(1)).toMatchObject({ sent: null });
  expect(await write(NOON + DAY + 1, 'It is cold.')).toMatchObject({ written: 1 });
});
