import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { callOff } from '../calendar/change';
import { keepCautions } from '../people/carried';
import { addParticipant } from '../people/people';
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
import { closeRegister, leave, mark, roll, walkIn } from './register';
import { planSession } from './sessions';

const db = testDatabase();

const rollOf = async (c: TestClass) =>
  (await roll(db(), c, c.sessionId)).map((e) => [e.name, e.attendance?.mark ?? null, e.booked]);

/** A session so many days before, with everybody marked as told. */
async function past(c: TestClass, days: number, marks: Record<string, 'here' | 'late' | 'absent'>) {
  const id = await planSession(db(), c, {
    classId: c.classId,
    startsAt: NOON - days * DAY,
    now: NOON,
  });
  for (const [person, value] of Object.entries(marks)) {
    await mark(db(), c, { sessionId: id, participantId: person, value, now: NOON - days * DAY });
  }
  await db()('sessions').where({ id }).update({ status: 'held' });
  return id;
}

describe('the roll', () => {
  it('lists who is booked, marks them and takes a mark back', async () => {
    const c = await makeClass(db());
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'here', now: NOON });
    await mark(db(), c, {
      sessionId: c.sessionId,
      participantId: c.ben,
      value: 'late',
      now: NOON + MINUTE,
    });
    expect(await rollOf(c)).toEqual([
      ['Ada', 'here', true],
      ['Ben', 'late', true],
    ]);
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ben, value: null, now: NOON });
    expect(await rollOf(c)).toContainEqual(['Ben', null, true]);
  });

  it('keeps a mark that is made while it is closed', async () => {
    const c = await makeClass(db());
    const { sessionId } = c;
    const marking = await db().transaction();
    try {
      await mark(marking, c, { sessionId, participantId: c.ada, value: 'here', now: NOON });
      const closed = closeRegister(db(), c, sessionId);
      await untilAwaited(db(), marking);
      await marking.commit();
      await closed;
    } finally {
      if (!marking.isCompleted()) await marking.rollback();
    }
    expect(await rollOf(c)).toEqual([
      ['Ada', 'here', true],
      ['Ben', 'absent', true],
    ]);
  });

  it('takes in somebody who walked in, here from now on', async () => {
    const c = await makeClass(db());
    const id = randomUUID();
    const newcomer = { id, name: 'Cleo', joinedOn: '2026-11-24' };
    await walkIn(db(), c, { sessionId: c.sessionId, ...newcomer, now: NOON + MINUTE });
    const other = await makeClass(db());
    // An id of another studio is as good as a fresh one, here and for what comes after.
    const before = await roll(db(), other, other.sessionId);
    const stranger = {
      sessionId: c.sessionId,
      id: other.ada,
      name: 'Dora',
      joinedOn: '2026-11-24',
    };
    await walkIn(db(), c, { ...stranger, now: NOON });
    await leave(db(), c, {
      sessionId: c.sessionId,
      participantId: other.ada,
      leftAt: NOON + MINUTE,
      now: NOON + MINUTE,
    });
    const dora = (await roll(db(), c, c.sessionId)).find((e) => e.name === 'Dora');
    expect(dora?.participantId).not.toBe(other.ada);
    expect(dora?.attendance).toMatchObject({ mark: 'here', leftAt: NOON + MINUTE });
    expect(await roll(db(), other, other.sessionId)).toEqual(before);
    const cleo = (await roll(db(), c, c.sessionId)).find((e) => e.participantId === id);
    expect(cleo).toMatchObject({
      name: 'Cleo',
      booked: false,
      timesBefore: 0,
      attendance: { mark: 'here', arrivedAt: NOON + MINUTE },
    });
  });

  it('takes in somebody of the register who was not expected, with what they carry', async () => {
    const c = await makeClass(db());
    const person = { name: 'Dina', contact: null };
    const dina = await addParticipant(db(), c, { person, joinedOn: '2026-01-01', now: NOON });
    const cautions = [{ caution: 'jaw' as const }];
    await keepCautions(db(), c, { participantId: dina, cautions, consentOn: '2026-01-01' });
    const known = { id: dina, name: 'Dina', joinedOn: '2026-11-24' };
    await walkIn(db(), c, { sessionId: c.sessionId, ...known, now: NOON });
    expect(await everybodyOf(db(), c)).toHaveLength(3);
    const line = (await roll(db(), c, c.sessionId)).find((e) => e.participantId === dina);
    expect(line).toMatchObject({ attendance: { mark: 'here' }, cautions });
  });

  it('keeps the first arrival when a mark is corrected', async () => {
    const c = await makeClass(db());
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'late', now: NOON });
    await mark(db(), c, {
      sessionId: c.sessionId,
      participantId: c.ada,
      value: 'here',
      now: NOON + 9 * MINUTE,
    });
    const ada = (await roll(db(), c, c.sessionId)).find((e) => e.participantId === c.ada);
    expect(ada?.attendance?.arrivedAt).toBe(NOON);
  });

  it('is completed with everybody booked who was not marked, and nobody else', async () => {
    const c = await makeClass(db());
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'here', now: NOON });
    await closeRegister(db(), c, c.sessionId);
    expect(await rollOf(c)).toEqual([
      ['Ada', 'here', true],
      ['Ben', 'absent', true],
    ]);
  });
});

describe('people', () => {
  it('have a count of classes and a streak that a cancelled session leaves alone', async () => {
    const c = await makeClass(db());
    await past(c, 28, { [c.ada]: 'here', [c.ben]: 'here' });
    await past(c, 21, { [c.ada]: 'late', [c.ben]: 'absent' });
    const off = await planSession(db(), c, {
      classId: c.classId,
      startsAt: NOON - 14 * DAY,
      now: NOON,
    });
    await callOff(db(), c, { id: off, which: 'this', word: null, now: NOON });
    await past(c, 7, { [c.ada]: 'here', [c.ben]: 'here' });
    const figures = (await everybodyOf(db(), c)).map((p) => [
      p.name,
      p.times,
      p.best?.streak.current,
      p.best?.streak.longest,
    ]);
    expect(figures).toEqual([
      ['Ada', 3, 3, 3],
      ['Ben', 2, 1, 1],
    ]);
  });

  it('list their sessions, the newest first, from the day they were booked', async () => {
    const c = await makeClass(db());
    await past(c, 400, {});
    await past(c, 7, { [c.ada]: 'here' });
    const ada = await personOf(db(), c, c.ada);
    expect(ada.sessions.map((s) => [s.status, s.mark])).toEqual([
      ['planned', null],
      ['held', 'here'],
    ]);
  });
});
