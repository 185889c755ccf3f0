import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { appendEvents, prepareRun } from '../runs';
import { getSession, sessionsBetween } from '../sessions/sessions';
import { studioSettings } from '../studio/studios';
import { DAY, makeClass, NOON, type TestClass, testDatabase, weekly } from '../testing/studio';
import { planSessions } from './plan';
import { changeZone } from './zone';

const db = testDatabase();

/** What the clock on the wall shows, told by the platform. */
const wall = (ms: number, timeZone: string) => new Date(ms).toLocaleString('sv', { timeZone });

const toCome = async (c: TestClass) =>
  (await sessionsBetween(db(), c, NOON + 1, NOON + 400 * DAY)).map((s) => s.startsAt);

const plan = (c: TestClass, start: string, time: string, zone: string) =>
  planSessions(db(), c, {
    wish: {
      ...{ start, time, rule: weekly(30), classIds: [c.classId] },
      ...{ teacherId: null, place: null, link: null, roomFor: null },
    },
    zone,
    now: NOON,
  });

it('keeps sessions to come at the time that the clock shows, in whatever zone, summer and winter', async () => {
  const zones = ['Europe/Dublin', 'Pacific/Auckland', 'America/St_Johns', 'Asia/Kolkata', 'UTC'];
  // Of what clocks jump over there is nothing to keep, and they jump at night.
  const time = fc.integer({ min: 5 * 60, max: 23 * 60 }).map((minutes) => {
    const [hours, rest] = [Math.floor(minutes / 60), minutes % 60];
    return [hours, rest].map((n) => String(n).padStart(2, '0')).join(':');
  });
  await fc.assert(
    fc.asyncProperty(fc.shuffledSubarray(zones, { minLength: 2 }), time, async (turns, at) => {
      const c = await makeClass(db());
      const [first = 'UTC', ...others] = turns;
      await changeZone(db(), c, { zone: first, now: NOON });
      await plan(c, '2026-12-01', at, first);
      const before = (await toCome(c)).map((ms) => wall(ms, first));
      for (const zone of others) {
        expect(await changeZone(db(), c, { zone, now: NOON })).toBe(30);
        expect((await toCome(c)).map((ms) => wall(ms, zone))).toEqual(before);
      }
      expect((await studioSettings(db(), c)).timeZone).toBe(others.at(-1) ?? first);
    }),
    { numRuns: 10 },
  );
});

it('leaves what is past or has begun at its moment, and other studios alone', async () => {
  const [c, other] = [await makeClass(db()), await makeClass(db())];
  for (const studio of [c, other]) await plan(studio, '2026-12-01', '18:30', 'Europe/Dublin');
  const [begun = '', next = ''] = (await sessionsBetween(db(), c, NOON + 1, NOON + 90 * DAY)).map(
    (s) => s.id,
  );
  const run = await prepareRun(db(), c, { sessionId: begun, now: NOON });
  const drafts = [{ id: randomUUID(), type: 'started' as const, at: NOON }];
  await appendEvents(db(), c, { runId: run.id, drafts, now: NOON });
  const all = async () => {
    const own = [c.sessionId, begun, next].map((id) => getSession(db(), c, id));
    return [...(await Promise.all(own)).map((s) => s.startsAt), ...(await toCome(other))];
  };
  const before = await all();
  expect(await changeZone(db(), c, { zone: 'Europe/Dublin', now: NOON })).toBe(0);
  expect(await all()).toEqual(before);
  expect(await changeZone(db(), c, { zone: 'Asia/Kolkata', now: NOON })).toBe(29);
  const after = await all();
  expect(after[2]).toBe((before[2] ?? 0) - 5.5 * 3_600_000);
  expect(after.toSpliced(2, 1)).toEqual(before.toSpliced(2, 1));
});
