import { randomUUID } from 'node:crypto';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { localOf } from '@/core/calendar';
import { setComing } from '../sessions/bookings';
import {
  makeClass,
  NOON,
  shortPlan,
  type TestClass,
  testDatabase,
  weekly,
} from '../testing/studio';
import { callOff } from './change';
import { dropFeed, feedOf, hasFeed, makeFeed } from './feed';
import { planSessions, type Wish } from './plan';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const plan = (c: TestClass, more: Partial<Wish> = {}) => {
  const when = { start: '2026-12-01', time: '18:30', rule: weekly(5), classIds: [c.classId] };
  const where = { teacherId: null, place: null, link: null, roomFor: null };
  return planSessions(db(), c, { wish: { ...when, ...where, ...more }, zone: ZONE, now: NOON });
};

const feedOwner = (c: TestClass) =>
  ({ of: 'teachers', id: c.teacherId, studioId: c.studioId }) as const;

describe('the feed of a teacher', () => {
  it('is read by a general parser: times on the wall over the change of clocks, and what is called off', async () => {
    const c = await makeClass(db());
    const token = await makeFeed(db(), feedOwner(c));
    const ids = await plan(c, { start: '2026-10-20', rule: weekly(3), place: 'Hall 2; left door' });
    const word = 'No heating.';
    await callOff(db(), c, { id: ids[2] ?? '', which: 'this', now: Date.UTC(2026, 9, 1), word });
    await makeClass(db());
    const text = (await feedOf(db(), { token, now: NOON })) ?? '';
    const events = new ICAL.Component(ICAL.parse(text))
      .getAllSubcomponents('vevent')
      .map((e) => new ICAL.Event(e))
      .filter((e) => ids.includes(e.uid.replace('@up-beat', '')));
    expect(
      events.map((e) => [
        localOf(e.startDate.toJSDate().getTime(), ZONE),
        e.location,
        e.component.getFirstPropertyValue('status'),
        e.description,
      ]),
    ).toEqual([
      ['2026-10-20T18:30', 'Hall 2; left door', 'CONFIRMED', null],
      ['2026-10-27T18:30', 'Hall 2; left door', 'CONFIRMED', null],
      ['2026-11-03T18:30', 'Hall 2; left door', 'CANCELLED', word],
    ]);
    expect(events[0]?.duration.toSeconds()).toBe(shortPlan().slotSeconds);
    expect(text).not.toContain('Ada');
  });

  it('has one address, that can be revoked, and leaves out what somebody else leads', async () => {
    const c = await makeClass(db());
    const me = feedOwner(c);
    const second = randomUUID();
    await db()('teachers').insert({
      id: second,
      studio_id: c.studioId,
      email: `${second}@example.org`,
      name: 'Second',
      password_hash: 'none',
      created_at: new Date(NOON),
    });
    const [mine] = await plan(c, { rule: null, teacherId: c.teacherId });
    const [theirs] = await plan(c, { rule: null, teacherId: second });
    const first = await makeFeed(db(), me);
    const newer = await makeFeed(db(), me);
    const at = (token: string) => feedOf(db(), { token, now: NOON });
    expect(await at(first)).toBeNull();
    const text = await at(newer);
    expect([text?.includes(mine ?? '-'), text?.includes(theirs ?? '-')]).toEqual([true, false]);
    expect(await hasFeed(db(), me)).toBe(true);
    await dropFeed(db(), me);
    expect([await at(newer), await hasFeed(db(), me)]).toEqual([null, false]);
  });
});

describe('the feed of somebody booked', () => {
  it('has their sessions alone: sure, waiting or called off; and none that they cannot come to', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const { studioId } = c;
    await db()('sessions').where({ studio_id: studioId }).delete();
    const owner = { of: 'participants', id: c.ben, studioId } as const;
    await expect(makeFeed(db(), { ...owner, studioId: other.studioId })).rejects.toMatchObject({
      code: 'not-found',
    });
    const token = await makeFeed(db(), owner);
    const ids = await plan(c, { rule: weekly(4), roomFor: 2 });
    const [sure = '', waits = '', away = '', off = ''] = ids;
    const come = (sessionId: string, participantId: string, coming: boolean) =>
      setComing(db(), c, { sessionId, participantId, coming, now: NOON });
    await db()('sessions').where({ id: waits }).update({ room_for: 1 });
    await come(waits, c.ben, false);
    await come(waits, c.ben, true);
    await come(away, c.ben, false);
    await callOff(db(), c, { id: off, which: 'this', now: NOON, word: 'Storm.' });
    // What it says by itself is in the language that the register has for them.
    for (const [language, says] of [
      [null, 'No room yet'],
      ['de', 'Noch kein Platz'],
    ] as const) {
      await db()('participants').where({ id: c.ben }).update({ language });
      const feed = (await feedOf(db(), { token, now: NOON })) ?? '';
      const events = new ICAL.Component(ICAL.parse(feed))
        .getAllSubcomponents('vevent')
        .map((e) => new ICAL.Event(e))
        .map((e) => [e.uid, e.component.getFirstPropertyValue('status'), e.description]);
      expect(events).toEqual([
        [`${sure}@up-beat`, 'CONFIRMED', null],
        [`${waits}@up-beat`, 'TENTATIVE', expect.stringContaining(says)],
        [`${off}@up-beat`, 'CANCELLED', 'Storm.'],
      ]);
    }
    await dropFeed(db(), owner);
    expect(await feedOf(db(), { token, now: NOON })).toBeNull();
  });
});
