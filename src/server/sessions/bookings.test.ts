import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeSessions } from '../calendar/change';
import { roomOf } from '../compose/room';
import type { Db } from '../db';
import { addParticipant, book, dropPause, endBooking, MOST_BOOKED, pause } from '../people/people';
import { appendEvents, prepareRun } from '../runs';
import {
  DAY,
  everybodyOf,
  MINUTE,
  makeClass,
  NOON,
  personOf,
  type TestClass,
  testDatabase,
} from '../testing/studio';
import { untilAwaited } from '../testing/waiting';
import { movingPlaces, type OnSession, peopleOfSession, setComing } from './bookings';
import { closeRegister, mark, roll } from './register';
import { getSession, planSession } from './sessions';

const db = testDatabase();
const LATER = NOON + 7 * DAY;
const THAT_WEEK = { from: '2026-12-01', to: '2026-12-31' };

async function person(c: TestClass, name: string): Promise<string> {
  const joined = { person: { name, contact: null }, joinedOn: '2026-01-01', now: NOON };
  return addParticipant(db(), c, joined);
}

/** A session to come of the class, on which Ada and Ben are booked. */
async function toCome() {
  const c = await makeClass(db());
  const sessionId = await planSession(db(), c, { classId: c.classId, startsAt: LATER, now: NOON });
  const room = (roomFor: number | null) =>
    changeSessions(db(), c, {
      id: sessionId,
      which: 'this',
      now: NOON,
      zone: 'Europe/Dublin',
      change: { roomFor },
    });
  const come = (participantId: string, coming: boolean, minutes: number) =>
    setComing(db(), c, { sessionId, participantId, coming, now: NOON + minutes * MINUTE });
  return { c, sessionId, room, come };
}

describe('a session with room for so many', () => {
  it('keeps the order in which people were booked, whatever happens, as a line on paper would', async () => {
    const who = fc.nat(2);
    const act = fc.oneof(
      { weight: 1, arbitrary: fc.record({ do: fc.constant('class' as const), who }) },
      // On the class or off it, in a pause or out of it: whichever they are not.
      { weight: 3, arbitrary: fc.record({ do: fc.constant('turn' as const), who }) },
      { weight: 3, arbitrary: fc.record({ do: fc.constant('pause' as const), who }) },
      {
        weight: 2,
        arbitrary: fc.record({ do: fc.constant('come' as const), who, coming: fc.boolean() }),
      },
      {
        weight: 1,
        arbitrary: fc.record({
          do: fc.constant('room' as const),
          roomFor: fc.option(fc.integer({ min: 1, max: 3 })),
        }),
      },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 8, maxLength: 24 }), async (acts) => {
        const { c, sessionId, room, come } = await toCome();
        await db()('bookings').where({ class_id: c.classId }).delete();
        const ids = [c.ada, c.ben, await person(c, 'Cleo')];
        // The line on paper: who stands in it, who is booked on the class, on this time alone or pauses, who said
        // no, and how many fit.
        let line: string[] = [];
        const [onClass, once, said] = [new Set<string>(), new Set<string>(), new Set<string>()];
        const pauses = new Map<string, string>();
        const expects = (p: string) =>
          !said.has(p) && (once.has(p) || (onClass.has(p) && !pauses.has(p)));
        let fits = Number.POSITIVE_INFINITY;
        for (const [i, a] of acts.entries()) {
          const before = line.slice(0, fits);
          const waiting = line.slice(fits);
          const who = ids[a.do === 'room' ? 0 : a.who] ?? '';
          const at = NOON + i * MINUTE;
          let movedUp: string[] = [];
          if (a.do === 'turn' && onClass.delete(who)) {
            await endBooking(db(), c, { participantId: who, classId: c.classId, now: at });
          } else if (a.do === 'class' || a.do === 'turn') {
            await book(db(), c, { participantId: who, classId: c.classId, now: at });
            onClass.add(who);
          } else if (a.do === 'pause') {
            const id = pauses.get(who);
            const of = { participantId: who, now: at };
            if (id) await dropPause(db(), c, { ...of, id });
            if (id) pauses.delete(who);
            else pauses.set(who, await pause(db(), c, { ...of, span: THAT_WEEK }));
          } else if (a.do === 'come') {
            movedUp = (await come(who, a.coming, i)).map((m) => m.participantId);
            if (a.coming && !expects(who)) {
              said.delete(who);
              once.delete(who);
              if (!expects(who)) once.add(who);
            } else if (!a.coming && expects(who)) {
              said.add(who);
              once.delete(who);
            }
          } else {
            movedUp = (await room(a.roomFor)).movedUp.map((m) => m.participantId);
            fits = a.roomFor ?? Number.POSITIVE_INFINITY;
          }
          // Whoever comes, or comes back, is at its end.
          line = line.filter(expects);
          line.push(...ids.filter((p) => expects(p) && !line.includes(p)));
          const now = line.slice(0, fits);
          const { coming, away } = await peopleOfSession(db(), c, sessionId);
          expect(coming.map((p) => p.participantId)).toEqual(line);
          expect(coming.filter((p) => p.booked).map((p) => p.participantId)).toEqual(now);
          expect(new Set(away.map((p) => p.participantId))).toEqual(said);
          // Asked of each person by themselves it is the same.
          const [asked, told] = await Promise.all(
            ['person_sessions', 'session_people'].map((view) =>
              db()(view).where({ session_id: sessionId }).orderBy(['at', 'participant_id']),
            ),
          );
          expect(asked).toEqual(told);
          if (a.do === 'come' || a.do === 'room') {
            expect([...movedUp].sort()).toEqual(now.filter((p) => waiting.includes(p)).sort());
          }
          if (a.do !== 'room') {
            const lost = before.filter((p) => !now.includes(p) && p !== who);
            expect(lost).toEqual([]);
          }
          const session = await getSession(db(), c, sessionId);
          expect([session.booked, session.waiting]).toEqual([now.length, line.length - now.length]);
        }
      }),
      { numRuns: 25 },
    );
  });

  it('expects only those who found room: who waits or said no is not marked absent and breaks no streak', async () => {
    const { c, sessionId, room, come } = await toCome();
    const cleo = await person(c, 'Cleo');
    await come(cleo, true, 1);
    await room(1);
    await come(c.ada, false, 2);
    const entries = await roll(db(), c, sessionId);
    const known = entries.map((e) => [e.name, e.booked, e.waiting, e.away]);
    expect(known).toEqual([
      ['Ada', false, false, true],
      ['Ben', true, false, false],
      ['Cleo', false, true, false],
    ]);
    await closeRegister(db(), c, sessionId);
    await db()('sessions').where({ id: sessionId }).update({ status: 'held' });
    const marks = await db()('attendance').where({ session_id: sessionId }).pluck('participant_id');
    expect(marks).toEqual([c.ben]);
    const verdicts = async (id: string) =>
      (await personOf(db(), c, id)).streaks.flatMap((s) =>
        s.streak.beats.filter((b) => b.meeting?.sessionId === sessionId).map((b) => b.is),
      );
    expect(await Promise.all([c.ada, c.ben].map(verdicts))).toEqual([[], ['missed']]);
    // Who comes all the same has kept it.
    await mark(db(), c, { sessionId, participantId: c.ada, value: 'here', now: LATER });
    expect(await verdicts(c.ada)).toEqual(['kept']);
    const ada = (await everybodyOf(db(), c)).find((p) => p.id === c.ada);
    expect(ada?.best?.streak.current).toBe(1);
  });

  it('is known to the checks with everybody who may stand in the room, booked for once or waiting', async () => {
    const { c, room, come } = await toCome();
    const cleo = await person(c, 'Cleo');
    await room(2);
    await come(cleo, true, 1);
    const people = async (now: number) =>
      (await roomOf(db(), c, { classId: c.classId, zone: 'Europe/Dublin', now })).people;
    expect((await people(NOON)).map((p) => p.name)).toEqual(['Ada', 'Ben', 'Cleo']);
    expect((await people(LATER + DAY)).map((p) => p.name)).toEqual(['Ada', 'Ben']);
  });

  it('refuses what it cannot hold, what has begun, what is called off, and what another studio has', async () => {
    const { c, sessionId, come } = await toCome();
    const other = await makeClass(db());
    await expect(come(other.ada, true, 1)).rejects.toMatchObject({ code: 'not-found' });
    const theirs = { sessionId, participantId: other.ada, coming: true, now: NOON };
    await expect(setComing(db(), other, theirs)).rejects.toMatchObject({ code: 'not-found' });
    const crowd = Array.from({ length: MOST_BOOKED - 2 }, () => ({
      id: randomUUID(),
      studio_id: c.studioId,
      name: 'One of many',
      joined_on: '2026-01-01',
      created_at: new Date(NOON),
    }));
    await db()('participants').insert(crowd);
    await db()('session_bookings').insert(
      crowd.map(({ id }) => ({
        studio_id: c.studioId,
        session_id: sessionId,
        participant_id: id,
        coming: true,
        at: new Date(NOON),
      })),
    );
    const last = await person(c, 'Last');
    await expect(come(last, true, 1)).rejects.toThrow(
      'A class or a session takes 500 bookings at most',
    );
    await db()('sessions').where({ id: sessionId }).update({ status: 'cancelled' });
    await expect(come(c.ada, false, 1)).rejects.toMatchObject({ code: 'cancelled' });
    const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON, speaker: null });
    const drafts = [{ id: randomUUID(), type: 'started' as const, at: NOON }];
    await appendEvents(db(), c, { runId: run.id, drafts, now: NOON });
    const begun = { sessionId: c.sessionId, participantId: c.ada, coming: false, now: NOON };
    await expect(setComing(db(), c, begun)).rejects.toMatchObject({ code: 'begun-already' });
  });

  it('gives one free chair to one person, though two leave it at the same moment', async () => {
    const { c, sessionId, room, come } = await toCome();
    const [cleo, dov] = [await person(c, 'Cleo'), await person(c, 'Dov')];
    await room(2);
    await come(cleo, true, 1);
    await come(dov, true, 2);
    const moved = (await Promise.all([come(c.ada, false, 3), come(c.ben, false, 3)])).flat();
    expect(moved.map((m) => m.participantId).sort()).toEqual([cleo, dov].sort());
    const { coming } = await peopleOfSession(db(), c, sessionId);
    expect(coming.map((p) => [p.name, p.booked])).toEqual([
      ['Cleo', true],
      ['Dov', true],
    ]);
  });

  it('tells everybody who moves up, though two bookings end at the same moment', async () => {
    const { c, sessionId, room } = await toCome();
    const cleo = await person(c, 'Cleo');
    const { classId } = c;
    await book(db(), c, { participantId: cleo, classId, now: NOON + MINUTE });
    await room(1);
    const before = (await peopleOfSession(db(), c, sessionId)).coming;
    expect(before.map((p) => p.booked)).toEqual([true, false, false]);
    const [first, second] = before.map((p) => p.participantId);
    const end = (trx: Db, participantId: string) =>
      movingPlaces(trx, c, {
        sessionIds: [sessionId],
        work: () => endBooking(trx, c, { participantId, classId, now: NOON + 2 * MINUTE }),
      });
    const moved: OnSession[] = [];
    const trx = await db().transaction();
    try {
      moved.push(...(await end(trx, first ?? '')).up);
      let isOver = false;
      const other = db()
        .transaction((own) => end(own, second ?? ''))
        .finally(() => {
          isOver = true;
        });
      await untilAwaited(db(), trx, () => isOver);
      await trx.commit();
      moved.push(...(await other).up);
    } finally {
      if (!trx.isCompleted()) await trx.rollback();
    }
    expect(moved.map((m) => m.participantId)).toContain(cleo);
    expect(
      (await peopleOfSession(db(), c, sessionId)).coming.map((p) => [p.participantId, p.booked]),
    ).toEqual([[cleo, true]]);
  });
});
