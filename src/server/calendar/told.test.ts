import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { signInAs, type Teacher, teacherOf } from '../auth/sign-ins';
import { createClass } from '../classes/classes';
import { addParticipant, book } from '../people/people';
import { putAway } from '../put-away/put-away';
import { peopleOfSession, setComing } from '../sessions/bookings';
import { getSession, planSession, sessionsOfIds } from '../sessions/sessions';
import { lettersOf } from '../studio/letters';
import { DAY, makeClass, NOON, shortPlan, type TestClass, testDatabase } from '../testing/studio';
import {
  againInTheWay,
  type Change,
  callOff,
  changeSessions,
  lookAtChange,
  restoreSession,
} from './change';
import { closeFor, reopen } from './closures';
import {
  tellAway,
  tellCalledOff,
  tellChanged,
  tellMovedDown,
  tellMovedUp,
  tellOnAgain,
} from './tell';
import { changeAndTell, type Telling } from './telling';

const db = testDatabase();
const zone = 'Europe/Dublin';
const NEXT = NOON + 7 * DAY;

async function teacher(c: TestClass): Promise<Teacher> {
  const me = await teacherOf(db(), await signInAs(db(), c.teacherId, NOON), NOON);
  if (!me) throw new Error('not signed in');
  return me;
}

/** A class with a session in a week; Ada reads German, and Ben English. */
async function nextWeek() {
  const c = await makeClass(db());
  const write = (id: string, contact: string, language: string) =>
    db()('participants').where({ id }).update({ contact, language });
  await write(c.ada, 'ada@example.org', 'de');
  await write(c.ben, 'ben@example.org', 'en');
  const { classId } = c;
  const id = await planSession(db(), c, { classId, startsAt: NEXT, now: NOON });
  await db()('sessions').where({ id }).update({ place: 'Hall 2' });
  const me = await teacher(c);
  const change = (what: Change) =>
    changeSessions(db(), me, { id, which: 'this', now: NOON, zone, change: what, sure: true });
  /** What was written to somebody, the first letter first. */
  const read = async (who: 'ada' | 'ben') =>
    (await lettersOf(db(), me))
      .filter(({ recipient }) => recipient === `${who}@example.org`)
      .reverse()
      .map(({ subject, body }) => `${subject.split(': ')[1]}\n${body.split('\n\n')[1]}`);
  /** Tells of something that was done. @returns what is said on screen */
  const tell = async (now: number, work: (telling: Telling) => Promise<void>) =>
    (await changeAndTell(db(), me, { now }, work)).told;
  return { c, me, id, change, read, tell };
}

describe('who is booked is told', () => {
  it('that a session is at another time, another place or another class, in their language', async () => {
    const { c, me, id, change, read, tell } = await nextWeek();
    const { was, is, concerned, ...others } = await change({
      at: '2026-12-02T18:30',
      place: 'Loft',
    });
    expect(others).toMatchObject({ movedUp: [], movedDown: [], away: [] });
    expect(others.all.is.map((s) => s.id)).toEqual([id]);
    await tell(NOON, (t) => tellChanged(t, { was, is, to: concerned }));
    const { className } = await getSession(db(), me, id);
    expect(await read('ben')).toEqual([
      `a session has changed\nthis has changed:
until now: ${className}, Tue 1 Dec 2026, 12:00, Hall 2
from now on: ${className}, Wed 2 Dec 2026, 18:30, Loft`,
    ]);
    expect((await read('ada'))[0]).toMatch(
      /bisher: .*, Di., 1\. Dez\. 2026, 12:00, Hall 2\njetzt: /,
    );

    // Whoever is booked on the class that it is now has a session more, and those of before have one less.
    const other = await createClass(db(), c, { ...shortPlan(), name: 'Low tide' }, NOON);
    const person = { name: 'Cleo', contact: null };
    const cleo = await addParticipant(db(), c, { person, joinedOn: '2026-01-01', now: NOON });
    await book(db(), c, { participantId: cleo, classId: other, now: NOON });
    const swapped = await change({ classId: other });
    expect(swapped.concerned.map((one) => one.participantId).sort()).toEqual(
      [c.ada, c.ben, cleo].sort(),
    );
  });

  it('that what they cannot come to is at another time, and of nothing else in it', async () => {
    const { c, me, id, change, read, tell } = await nextWeek();
    const no = { sessionId: id, participantId: c.ada, coming: false, now: NOON };
    await setComing(db(), c, no);
    expect(await change({ place: 'Loft', link: 'https://call.example/1' })).toMatchObject({
      away: [],
    });
    const { was, is, concerned, away } = await change({ at: '2026-12-02T18:30' });
    expect([concerned, away].map((all) => all.map((one) => one.participantId))).toEqual([
      [c.ben],
      [c.ada],
    ]);
    await tell(NOON, (t) => tellAway(t, { was, is, to: away }));
    const { className } = await getSession(db(), me, id);
    expect(await read('ada')).toEqual([
      `ein Termin liegt jetzt anders\ndazu kannst du nicht kommen, und jetzt liegt es anders:
bisher: ${className}, Di., 1. Dez. 2026, 12:00, Loft, https://call.example/1
jetzt: ${className}, Mi., 2. Dez. 2026, 18:30, Loft, https://call.example/1`,
    ]);
    expect(await read('ben')).toEqual([]);
  });

  it('of nothing where nothing that they have to know has changed, or it is over', async () => {
    const { c, me, change } = await nextWeek();
    const none = { was: [], is: [], concerned: [] };
    expect(await change({ teacherId: c.teacherId, place: 'Hall 2' })).toMatchObject(none);
    const of = { id: c.sessionId, which: 'this', now: NOON + DAY, zone, sure: true } as const;
    expect(await changeSessions(db(), me, { ...of, change: { place: 'Loft' } })).toMatchObject(
      none,
    );
  });

  it('that there is no room any more, and that there is again', async () => {
    const { change, read, tell } = await nextWeek();
    const less = await change({ roomFor: 1, place: 'Loft' });
    expect([less.movedUp, less.movedDown.length, less.concerned.length]).toEqual([[], 1, 1]);
    await tell(NOON, (t) => tellMovedDown(t, less.movedDown));
    const more = await change({ roomFor: null });
    expect(more).toMatchObject({ movedDown: [], concerned: [] });
    const [up, down] = [more.movedUp, less.movedDown].map((all) => all.map((p) => p.participantId));
    expect(up).toEqual(down);
    await tell(NOON + 1, (t) => tellMovedUp(t, more.movedUp));
    const letters = [...(await read('ada')), ...(await read('ben'))].map((l) => l.split('\n')[0]);
    expect([
      ['es ist kein Platz mehr für dich', 'es ist Platz für dich'],
      ['there is no room for you any more', 'there is room for you'],
    ]).toContainEqual(letters);
  });

  it('that a session was called off, and that it takes place after all', async () => {
    const { c, me, id, read, tell } = await nextWeek();
    const off = await callOff(db(), me, { id, which: 'this', now: NOON, word: 'Storm.' });
    await tell(NOON, (t) => tellCalledOff(t, { sessions: off, word: 'Storm.' }));
    const session = await restoreSession(db(), me, { id, zone });
    expect(session).toMatchObject({ id, status: 'planned', word: null });
    expect(await restoreSession(db(), me, { id, zone })).toBeNull();
    await tell(NOON + 1, (t) => tellOnAgain(t, session ? [session] : []));
    expect((await read('ben')).map((l) => l.split('\n')[0])).toEqual([
      'does not take place',
      'takes place after all',
    ]);

    // Nobody comes to a class that is put away.
    for (const one of [id, c.sessionId]) {
      await callOff(db(), me, { id: one, which: 'this', now: NOON, word: null });
    }
    await putAway(db(), me, { classId: c.classId, now: NOON });
    await expect(restoreSession(db(), me, { id, zone })).rejects.toMatchObject({
      code: 'class-put-away',
    });
    expect((await getSession(db(), me, id)).status).toBe('cancelled');
  });

  it('of nothing before it is asked whether a session is to be where another is by now, or closed days', async () => {
    const { c, me, id } = await nextWeek();
    const again = (sure = false) => restoreSession(db(), me, { id, zone, sure });
    const off = () => callOff(db(), me, { id, which: 'this', now: NOON, word: null });
    await off();
    const of = { classId: c.classId, startsAt: NEXT + 60_000, now: NOON };
    const other = await planSession(db(), c, of);
    expect(await again()).toMatchObject({ status: 'planned' });
    await off();
    await db()('sessions').where({ id: other }).update({ place: ' hall 2' });
    await expect(again()).rejects.toThrow(/Tue 1 Dec 2026, 12:01, is in the same place/);
    expect((await getSession(db(), me, id)).status).toBe('cancelled');
    expect(await again(true)).toMatchObject({ status: 'planned' });

    await db()('sessions').where({ id: other }).update({ status: 'cancelled' });
    const closure = { from: '2026-12-01', to: '2026-12-01', name: 'Boat lift' };
    const { id: closed } = await closeFor(db(), c, { closure, zone, now: NOON });
    await expect(again()).rejects.toThrow(/Tue 1 Dec 2026 is closed: Boat lift/);
    await db()('sessions').where({ id: other }).update({ status: 'planned', closure_id: null });
    const ids = await reopen(db(), me, closed);
    expect(await againInTheWay(db(), me, { ids, zone })).toMatch(/12:01, is in the same place$/);
    expect(await againInTheWay(db(), me, { ids: [], zone })).toBeNull();
  });

  it('once of all that closed days cancel, with why, and of what takes place when they are open again', async () => {
    const { c, me, id, read, tell } = await nextWeek();
    const { classId } = c;
    const later = await planSession(db(), c, { classId, startsAt: NEXT + DAY, now: NOON });
    const gone = await createClass(db(), c, { ...shortPlan(), name: 'Gone' }, NOON);
    const third = await planSession(db(), c, { classId: gone, startsAt: NEXT, now: NOON });
    const closure = { from: '2026-12-01', to: '2026-12-02', name: 'Boat lift' };
    const closed = await closeFor(db(), c, { closure, zone, now: NOON });
    expect([...closed.cancelled].sort()).toEqual([id, later, third].sort());
    const off = await sessionsOfIds(db(), me, closed.cancelled);
    const told = await tell(NOON, (t) => tellCalledOff(t, { sessions: off, word: null }));
    expect(told).toMatch(/^ 2 letters were written\./);
    const [letter] = await read('ben');
    expect(letter).toMatch(/1 Dec 2026, 12:00: Boat lift\n.*2 Dec 2026, 12:00: Boat lift$/);
    await putAway(db(), me, { classId: gone, now: NOON });
    expect((await reopen(db(), me, closed.id)).sort()).toEqual([id, later].sort());
    expect(await getSession(db(), me, third)).toMatchObject({
      status: 'cancelled',
      word: 'Boat lift',
      closed: null,
    });
  });
});

describe('a change and the letters that tell of it', () => {
  it('are made together or not at all', async () => {
    const { c, me, id } = await nextWeek();
    // Nobody can be written to in a language that there is not.
    await db()('participants').where({ id: c.ben }).update({ language: 'xx' });
    const calledOff = changeAndTell(db(), me, { now: NOON }, async (t) => {
      const sessions = await callOff(t.db, me, { id, which: 'this', now: NOON, word: null });
      await tellCalledOff(t, { sessions, word: null });
    });
    await expect(calledOff).rejects.toThrow();
    expect((await getSession(db(), me, id)).status).toBe('planned');
    expect(await lettersOf(db(), me)).toEqual([]);
  });

  it('are there for everybody before the first letter goes out', async () => {
    const { me, id } = await nextWeek();
    const seen: [string, number][] = [];
    const post = async () => {
      const { status } = await getSession(db(), me, id);
      seen.push([status, (await lettersOf(db(), me)).length]);
    };
    const { told } = await changeAndTell(db(), me, { now: NOON, post }, async (t) => {
      const sessions = await callOff(t.db, me, { id, which: 'this', now: NOON, word: null });
      await tellCalledOff(t, { sessions, word: null });
    });
    expect(seen).toEqual([
      ['cancelled', 2],
      ['cancelled', 2],
    ]);
    expect(told).toBe(' 2 letters were written.');
  });

  it('say nothing where nobody is concerned', async () => {
    const { me } = await nextWeek();
    const nothing = async () => 7;
    expect(await changeAndTell(db(), me, { now: NOON }, nothing)).toEqual({ done: 7, told: '' });
  });
});

it('whom a change concerns are all those whose session, or whose place in it, is another than before', async () => {
  const change = fc.record(
    {
      at: fc.constantFrom('2026-12-01T12:00', '2026-12-01T13:00'),
      place: fc.constantFrom('Hall 2', 'Loft'),
      link: fc.constantFrom(null, 'https://call.example/1'),
      roomFor: fc.constantFrom(null, 1, 2),
      toOther: fc.boolean(),
    },
    { requiredKeys: [] },
  );
  const bookedOn = fc.array(fc.constantFrom('class', 'other', 'both', 'no'), { maxLength: 3 });
  await fc.assert(
    fc.asyncProperty(change, fc.constantFrom(null, 1, 3), bookedOn, async (what, room, more) => {
      const { c, id, change: make } = await nextWeek();
      const other = await createClass(db(), c, { ...shortPlan(), name: 'Low tide' }, NOON);
      await db()('sessions').where({ id }).update({ room_for: room });
      const no: string[] = [];
      for (const [i, on] of more.entries()) {
        const of = { person: { name: `Person ${i}`, contact: null }, joinedOn: '2026-01-01' };
        const participantId = await addParticipant(db(), c, { ...of, now: NOON });
        const [one, two] = [c.classId, other];
        const classIds = { class: [one], other: [two], both: [one, two], no: [one] }[on];
        for (const classId of classIds)
          await book(db(), c, { participantId, classId, now: NOON + i });
        if (on !== 'no') continue;
        await setComing(db(), c, { sessionId: id, participantId, coming: false, now: NOON + i });
        no.push(participantId);
      }
      const now = async () => ({
        session: await getSession(db(), c, id),
        people: new Map(
          (await peopleOfSession(db(), c, id)).coming.map((p) => [p.participantId, p.booked]),
        ),
      });
      const before = await now();
      const { toOther, ...set } = what;
      const wish = { ...set, ...(toOther && { classId: other }) };
      const of = { id, which: 'this', now: NOON, zone, change: wish } as const;
      const looked = await lookAtChange(db(), c, of);
      const changed = await make(wish);
      const after = await now();
      const seen = ({ startsAt, place, link, className }: typeof after.session) =>
        [startsAt, place, link, className].join('|');
      const isSame = seen(before.session) === seen(after.session);
      expect(looked).toEqual({ people: isSame ? 0 : before.people.size, inTheWay: null });
      const isMoved = before.session.startsAt !== after.session.startsAt;
      expect(changed.away.map((one) => one.participantId).sort()).toEqual(isMoved ? no.sort() : []);
      const everybody = new Set([...before.people.keys(), ...after.people.keys()]);
      const expected = [...everybody].map((person) => {
        const [had, has] = [before.people.get(person), after.people.get(person)];
        if (had === false && has === true) return [person, 'up'];
        if (had === true && has === false) return [person, 'down'];
        return [person, isSame ? 'nothing' : 'changed'];
      });
      const told = new Map([
        ...changed.movedUp.map((one) => [one.participantId, 'up'] as const),
        ...changed.movedDown.map((one) => [one.participantId, 'down'] as const),
        ...changed.concerned.map((one) => [one.participantId, 'changed'] as const),
      ]);
      expect([...everybody].map((person) => [person, told.get(person) ?? 'nothing'])).toEqual(
        expected,
      );
      expect([...told.keys()].every((person) => everybody.has(person))).toBe(true);
    }),
    { numRuns: 25 },
  );
});
