import { eventId, planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { createClass } from '../classes/classes';
import { book, getPerson, keepCautions } from '../people/people';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { mark } from '../sessions/register';
import { cancelSession, planSession } from '../sessions/sessions';
import { DAY, makeClass, NOON, testDatabase } from '../testing/studio';
import { roomOf } from './room';

const db = testDatabase();
const ZONE = 'Europe/Dublin';

describe('the room of a class', () => {
  it('knows who is booked, with what they carry, and nobody of another studio', async () => {
    const c = await makeClass(db());
    const other = await makeClass(db());
    await keepCautions(db(), c, c.ada, [{ caution: 'neck' }], '2026-11-24');
    const room = await roomOf(db(), c, c.classId, ZONE, NOON);
    expect(room.people.map((p) => [p.name, p.cautions])).toEqual([
      ['Ada', [{ caution: 'neck' }]],
      ['Ben', []],
    ]);
    expect((await roomOf(db(), other, c.classId, ZONE, NOON)).people).toEqual([]);
  });

  it('knows which moves each has met, and what the last sessions did', async () => {
    const c = await makeClass(db());
    await mark(db(), c, c.sessionId, c.ada, 'here', NOON);
    const run = await prepareRun(db(), c, c.sessionId, NOON);
    const event = (n: number, type: 'started' | 'finished', at: number) =>
      ({ id: eventId(n), type, at }) as const;
    await appendEvents(db(), c, run.id, [event(1, 'started', NOON)], NOON);
    const end = NOON + 600_000;
    await closeSession(db(), c, c.sessionId, event(2, 'finished', end), end);
    const room = await roomOf(db(), c, c.classId, ZONE, NOON + DAY);
    const [ada, ben] = room.people;
    expect([...(ada?.met ?? [])].sort()).toEqual(['chin-over-shoulder', 'tall-o-cheek-lift']);
    expect([...(ben?.met ?? [])]).toEqual([]);
    expect(room.recent.toSorted()).toEqual(['chin-over-shoulder', 'tall-o-cheek-lift']);
  });

  it('counts the fullest week from this one on, without what is cancelled', async () => {
    const c = await makeClass(db());
    await planSession(db(), c, c.classId, NOON + 8 * DAY, NOON);
    await planSession(db(), c, c.classId, NOON + 9 * DAY, NOON);
    const off = await planSession(db(), c, c.classId, NOON + 10 * DAY, NOON);
    await cancelSession(db(), c, off);
    await planSession(db(), c, c.classId, NOON - 8 * DAY, NOON);
    await planSession(db(), c, c.classId, NOON - 9 * DAY, NOON);
    await planSession(db(), c, c.classId, NOON - 10 * DAY, NOON);
    const room = await roomOf(db(), c, c.classId, ZONE, NOON);
    expect(room.sessionsAWeek).toBe(2);
  });

  it('begins weeks in the time zone of the studio', async () => {
    const c = await makeClass(db());
    // Sunday 23:30 and Monday 00:30 in Auckland fall on one day in Dublin.
    const sunday = Date.UTC(2026, 10, 29, 10, 30);
    await planSession(db(), c, c.classId, sunday, NOON);
    await planSession(db(), c, c.classId, sunday + 3_600_000, NOON);
    expect((await roomOf(db(), c, c.classId, ZONE, NOON + 3 * DAY)).sessionsAWeek).toBe(3);
    expect(
      (await roomOf(db(), c, c.classId, 'Pacific/Auckland', NOON + 3 * DAY)).sessionsAWeek,
    ).toBe(2);
  });

  it('tells when the class meets next', async () => {
    const c = await makeClass(db());
    expect((await roomOf(db(), c, c.classId, ZONE, NOON)).nextAt).toBe(NOON);
    expect((await roomOf(db(), c, c.classId, ZONE, NOON + 1)).nextAt).toBeNull();
  });
});

describe('cautions', () => {
  it('are kept with the day of consent, and forgotten together', async () => {
    const c = await makeClass(db());
    const cautions = [{ caution: 'skin' as const, areas: ['chin' as const] }];
    await keepCautions(db(), c, c.ben, cautions, '2026-11-24');
    expect(await getPerson(db(), c, c.ben)).toMatchObject({ cautions, consentOn: '2026-11-24' });
    await keepCautions(db(), c, c.ben, [], '2026-11-25');
    expect(await getPerson(db(), c, c.ben)).toMatchObject({ cautions: [], consentOn: null });
  });

  it('cannot be kept without consent, nor for somebody of another studio', async () => {
    const c = await makeClass(db());
    const other = await makeClass(db());
    const bare = db()('participants')
      .where({ id: c.ada })
      .update({ cautions: '[{"caution":"neck"}]' });
    await expect(bare).rejects.toThrow(/cautions_need_consent/);
    await expect(keepCautions(db(), other, c.ada, [], '2026-11-24')).rejects.toMatchObject({
      code: 'not-found',
    });
  });
});

it('a class with nobody booked and nothing planned has an empty room', async () => {
  const c = await makeClass(db());
  const id = await createClass(db(), c, planOf([]), NOON);
  expect(await roomOf(db(), c, id, ZONE, NOON)).toEqual({
    people: [],
    recent: [],
    sessionsAWeek: 0,
    nextAt: null,
  });
  await book(db(), c, c.ada, id, NOON);
  expect((await roomOf(db(), c, id, ZONE, NOON)).people).toHaveLength(1);
});
