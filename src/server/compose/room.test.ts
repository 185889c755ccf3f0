import { libraryMove } from '@library';
import { eventId, planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import type { Move } from '@/core/move';
import { callOff } from '../calendar/change';
import { createClass } from '../classes/classes';
import { saveOwnMove } from '../moves/moves';
import { keepCautions } from '../people/carried';
import { addParticipant, book } from '../people/people';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { mark } from '../sessions/register';
import { planSession } from '../sessions/sessions';
import { DAY, makeClass, NOON, personOf, testDatabase } from '../testing/studio';
import { roomOf, surroundingsOf } from './room';

const db = testDatabase();
const ZONE = 'Europe/Dublin';

describe('the room of a class', () => {
  it('knows who is booked, with what they carry, and nobody of another studio', async () => {
    const c = await makeClass(db());
    const other = await makeClass(db());
    await keepCautions(db(), c, {
      participantId: c.ada,
      cautions: [{ caution: 'neck' }],
      consentOn: '2026-11-24',
    });
    const room = await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON });
    expect(room.people.map((p) => [p.name, p.cautions])).toEqual([
      ['Ada', [{ caution: 'neck' }]],
      ['Ben', []],
    ]);
    expect(
      (await roomOf(db(), other, { classId: c.classId, zone: ZONE, now: NOON })).people,
    ).toEqual([]);
  });

  it('knows which moves each has met, and what the last sessions did', async () => {
    const c = await makeClass(db());
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'here', now: NOON });
    const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
    const event = (n: number, type: 'started' | 'finished', at: number) =>
      ({ id: eventId(n), type, at }) as const;
    await appendEvents(db(), c, { runId: run.id, drafts: [event(1, 'started', NOON)], now: NOON });
    const end = NOON + 600_000;
    await closeSession(db(), c, {
      sessionId: c.sessionId,
      draft: event(2, 'finished', end),
      now: end,
    });
    const room = await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON + DAY });
    const [ada, ben] = room.people;
    expect([...(ada?.met ?? [])].sort()).toEqual(['chin-over-shoulder', 'tall-o-cheek-lift']);
    expect([...(ben?.met ?? [])]).toEqual([]);
    expect(room.recent.toSorted()).toEqual(['chin-over-shoulder', 'tall-o-cheek-lift']);
  });

  it('counts the fullest week from this one on, without what is cancelled', async () => {
    const c = await makeClass(db());
    await planSession(db(), c, { classId: c.classId, startsAt: NOON + 8 * DAY, now: NOON });
    await planSession(db(), c, { classId: c.classId, startsAt: NOON + 9 * DAY, now: NOON });
    const off = await planSession(db(), c, {
      classId: c.classId,
      startsAt: NOON + 10 * DAY,
      now: NOON,
    });
    await callOff(db(), c, { id: off, which: 'this', word: null, now: NOON });
    await planSession(db(), c, { classId: c.classId, startsAt: NOON - 8 * DAY, now: NOON });
    await planSession(db(), c, { classId: c.classId, startsAt: NOON - 9 * DAY, now: NOON });
    await planSession(db(), c, { classId: c.classId, startsAt: NOON - 10 * DAY, now: NOON });
    const room = await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON });
    expect(room.sessionsAWeek).toBe(2);
  });

  it('begins weeks in the time zone of the studio', async () => {
    const c = await makeClass(db());
    // Sunday 23:30 and Monday 00:30 in Auckland fall on one day in Dublin.
    const sunday = Date.UTC(2026, 10, 29, 10, 30);
    await planSession(db(), c, { classId: c.classId, startsAt: sunday, now: NOON });
    await planSession(db(), c, { classId: c.classId, startsAt: sunday + 3_600_000, now: NOON });
    expect(
      (await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON + 3 * DAY }))
        .sessionsAWeek,
    ).toBe(3);
    expect(
      (await roomOf(db(), c, { classId: c.classId, zone: 'Pacific/Auckland', now: NOON + 3 * DAY }))
        .sessionsAWeek,
    ).toBe(2);
  });

  it('tells when the class meets next', async () => {
    const c = await makeClass(db());
    expect((await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON })).next?.from).toBe(
      NOON,
    );
    expect(
      (await roomOf(db(), c, { classId: c.classId, zone: ZONE, now: NOON + 1 })).next,
    ).toBeNull();
  });
});

describe('cautions', () => {
  it('are kept with the day of consent, and forgotten together', async () => {
    const c = await makeClass(db());
    const cautions = [{ caution: 'skin' as const, areas: ['chin' as const] }];
    await keepCautions(db(), c, { participantId: c.ben, cautions, consentOn: '2026-11-24' });
    expect(await personOf(db(), c, c.ben)).toMatchObject({ cautions, consentOn: '2026-11-24' });
    await keepCautions(db(), c, { participantId: c.ben, cautions: [], consentOn: '2026-11-25' });
    expect(await personOf(db(), c, c.ben)).toMatchObject({ cautions: [], consentOn: null });
  });

  it('cannot be kept without consent, nor for somebody of another studio', async () => {
    const c = await makeClass(db());
    const other = await makeClass(db());
    const bare = db()('participants')
      .where({ id: c.ada })
      .update({ cautions: '[{"caution":"neck"}]' });
    await expect(bare).rejects.toThrow(/cautions_need_consent/);
    await expect(
      keepCautions(db(), other, { participantId: c.ada, cautions: [], consentOn: '2026-11-24' }),
    ).rejects.toMatchObject({
      code: 'not-found',
    });
  });
});

it('a class with nobody booked and nothing planned has an empty room', async () => {
  const c = await makeClass(db());
  const id = await createClass(db(), c, planOf([]), NOON);
  expect(await roomOf(db(), c, { classId: id, zone: ZONE, now: NOON })).toEqual({
    people: [],
    recent: [],
    sessionsAWeek: 0,
    next: null,
  });
  await book(db(), c, { participantId: c.ada, classId: id, now: NOON });
  expect((await roomOf(db(), c, { classId: id, zone: ZONE, now: NOON })).people).toHaveLength(1);
});

it('has another stamp once anything in it changes, and the same until then', async () => {
  const [c, other] = [await makeClass(db()), await makeClass(db())];
  const of = { classId: c.classId, zone: ZONE, now: NOON };
  const stamps = new Set<string>();
  const stamp = async () => {
    const { stamp } = await surroundingsOf(db(), c, of);
    stamps.add(stamp);
    return stamps.size;
  };
  const move = { ...(libraryMove('smile-pulses') as Move), id: 'own-harbour-smile' };
  expect(await stamp()).toBe(1);
  const neck = { cautions: [{ caution: 'neck' as const }], consentOn: '2026-11-24' };
  await keepCautions(db(), other, { participantId: other.ada, ...neck });
  await saveOwnMove(db(), other, move, { now: NOON });
  expect(await stamp()).toBe(1);
  await keepCautions(db(), c, { participantId: c.ada, ...neck });
  expect(await stamp()).toBe(2);
  await saveOwnMove(db(), c, move, { now: NOON });
  expect(await stamp()).toBe(3);
  await saveOwnMove(db(), c, { ...move, rounds: 5 }, { now: NOON });
  expect(await stamp()).toBe(4);
  const dina = await addParticipant(db(), c, {
    person: { name: 'Dina', contact: null },
    joinedOn: '2026-11-24',
    now: NOON,
  });
  await book(db(), c, { participantId: dina, classId: c.classId, now: NOON });
  expect(await stamp()).toBe(5);
  await planSession(db(), c, { classId: c.classId, startsAt: NOON + 1000, now: NOON });
  expect(await stamp()).toBe(6);
  const { room, own } = await surroundingsOf(db(), c, of);
  expect([room.people.map((p) => p.name), own.map((m) => m.rounds)]).toEqual([
    ['Ada', 'Ben', 'Dina'],
    [5],
  ]);
});
