import { eventId } from '@testing/plans';
import { expect, it } from 'vitest';
import { INSIGHTS, type InsightKey } from '@/core/insights';
import { callOff } from '../calendar/change';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { mark } from '../sessions/register';
import { planSession } from '../sessions/sessions';
import { stretchesOf } from '../testing/stretches';
import { DAY, MINUTE, makeClass, NOON, testDatabase } from '../testing/studio';
import { insightsOf } from './insights';
import { runsOf } from './led';

const db = testDatabase();
const asked = { weeks: 12, zone: 'Europe/Dublin', now: NOON };

it('tells of a term what its sessions, marks, minutes and notes say', async () => {
  const c = await makeClass(db());
  const of = async () => {
    const all = await insightsOf(db(), c, asked);
    expect(all.map((i) => i.key)).toEqual([...INSIGHTS]);
    return (key: InsightKey) => all.find((i) => i.key === key)?.rows.map((r) => r.cells) ?? [];
  };
  expect((await of())('newcomers')).toEqual([]);
  expect((await of())('areas')).toEqual([]);
  const off = await planSession(db(), c, {
    classId: c.classId,
    startsAt: NOON - 8 * DAY,
    now: NOON,
  });
  await callOff(db(), c, { id: off, which: 'this', word: null, now: NOON });
  const at = NOON - 7 * DAY;
  const sessionId = await planSession(db(), c, { classId: c.classId, startsAt: at, now: NOON });
  const run = await prepareRun(db(), c, { sessionId, now: at, speaker: null });
  await appendEvents(db(), c, {
    runId: run.id,
    now: at + 2 * MINUTE,
    drafts: [
      { id: eventId(1), type: 'started', at },
      { id: eventId(2), type: 'marked', at, participantId: c.ada, mark: 'here' },
      {
        id: eventId(3),
        type: 'corrected',
        at,
        participantId: c.ada,
        moveId: 'tall-o-cheek-lift',
        note: 'left corner',
      },
      { id: eventId(4), type: 'paused', at: at + MINUTE },
      { id: eventId(5), type: 'resumed', at: at + 2 * MINUTE },
    ],
  });
  const end = at + 60 * MINUTE;
  const draft = { id: eventId(6), at: end };
  await closeSession(db(), c, { sessionId, draft, now: end, teacherId: c.teacherId });
  const earlier = await planSession(db(), c, {
    classId: c.classId,
    startsAt: at - 7 * DAY,
    now: NOON,
  });
  await mark(db(), c, { sessionId: earlier, participantId: c.ada, value: 'late', now: at });
  await db()('sessions').where({ id: earlier }).update({ status: 'held' });

  const told = await of();
  expect(told('attendance').map((cells) => cells.slice(1))).toEqual([
    [1, 2, '', 'held'],
    [0, 0, '', 'cancelled'],
    [1, 2, '', 'held'],
    [0, 2, '', 'not closed'],
  ]);
  expect(told('newcomers')[0]).toEqual(['2nd', 1, 1]);
  const [[, promised, real] = []] = told('minutes');
  // It stood still for a minute.
  expect(Number(real) - Number(promised)).toBeCloseTo(1, 1);
  expect(told('corrected')).toEqual([['Long O cheek lift', 1, 1, 1]]);
  expect(Number(told('areas')[0]?.[1])).toBeGreaterThan(0);
  // It ran by itself, so talk took as long as its cues, but for rounding.
  expect(told('learned')).toHaveLength(1);
  expect(told('learned')[0]?.[3]).toBe(0);
  expect(Number(told('learned')[0]?.[4])).toBeGreaterThan(0.9);
  const moves = told('moves').map((cells) => cells[0]);
  expect(moves).toContain('Long O cheek lift');
  // Another class has none of it.
  const elsewhere = await insightsOf(db(), c, { ...asked, classId: eventId(9) });
  expect(elsewhere.find((i) => i.key === 'attendance')?.rows).toEqual([]);
});

it('reads session by session, and lets others have their turn between two of them', async () => {
  const c = await makeClass(db());
  const sessions = await Promise.all(
    [7, 14, 21].map(async (days) => {
      const at = NOON - days * DAY;
      const id = await planSession(db(), c, { classId: c.classId, startsAt: at, now: NOON });
      const run = await prepareRun(db(), c, { sessionId: id, now: at, speaker: null });
      const { score } = await db()('runs').where({ id: run.id }).first('score');
      const led = { started_at: at, finished_at: at + 10 * MINUTE, score, run_id: run.id };
      const held = { status: 'held' as const, room_for: null, came: 0, expected: 0 };
      return { id, class_name: 'Evening', starts_at: at, ...held, ...led };
    }),
  );
  const stretches = await stretchesOf((step) => {
    const watched = sessions.map((session) => ({
      ...session,
      get easier() {
        step();
        return null;
      },
    }));
    return runsOf(db(), c, watched, []);
  });
  expect(stretches).toBe(3);
});

it('shows nothing of another studio', async () => {
  const [c, other] = [await makeClass(db()), await makeClass(db())];
  const all = await insightsOf(db(), other, { ...asked, classId: c.classId });
  expect(all.find((i) => i.key === 'attendance')?.rows).toEqual([]);
});
