import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { position, type RunEventDraft } from '@/core/run';
import { getClass, savePlan } from '../classes/classes';
import { Conflict } from '../scope';
import { roll } from '../sessions/register';
import { cancelSession, getSession } from '../sessions/sessions';
import { MINUTE, makeClass, NOON, shortPlan, testDatabase } from '../testing/studio';
import { appendEvents, closeSession, getRun, prepareRun } from './runs';

const db = testDatabase();

const event = (type: 'started' | 'paused' | 'resumed' | 'next', at: number): RunEventDraft => ({
  id: randomUUID(),
  type,
  at,
});
const HOUR = 60 * MINUTE;

async function prepared() {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, c.sessionId, NOON);
  const append = (events: RunEventDraft[], now = NOON + HOUR) =>
    appendEvents(db(), c, run.id, events, now);
  return { c, run, append };
}

describe('preparing a run', () => {
  it('takes up edits of the class until it is started, and none after', async () => {
    const { c, run, append } = await prepared();
    const { plan } = await getClass(db(), c, c.classId);
    await savePlan(db(), c, c.classId, { ...plan, name: 'Renamed' }, 1, NOON);
    expect((await prepareRun(db(), c, c.sessionId, NOON)).score.name).toBe('Renamed');
    await append([event('started', NOON)]);
    await savePlan(db(), c, c.classId, { ...plan, name: 'Too late' }, 2, NOON);
    const again = await prepareRun(db(), c, c.sessionId, NOON);
    expect([again.id, again.score.name]).toEqual([run.id, 'Renamed']);
  });

  it('is refused for a cancelled session and for an empty class', async () => {
    const off = await makeClass(db());
    await cancelSession(db(), off, off.sessionId);
    await expect(prepareRun(db(), off, off.sessionId, NOON)).rejects.toThrow(Conflict);
    const c = await makeClass(db());
    const { phases } = shortPlan();
    const empty = { ...phases, work: [], warmUp: [] };
    await savePlan(db(), c, c.classId, { ...shortPlan(), phases: empty }, 1, NOON);
    await expect(prepareRun(db(), c, c.sessionId, NOON)).rejects.toThrow(/still empty/);
  });

  it('measures every cue in the voice of the machine', async () => {
    const { run } = await prepared();
    expect(run.score.speech).toBe('measured');
  });
});

describe('the log of a run', () => {
  it('stores each event once, in order, numbered without gaps', async () => {
    const { c, run, append } = await prepared();
    const [start, pause] = [event('started', NOON), event('paused', NOON + 5000)];
    await append([start]);
    await append([start, pause]);
    const log = await append([pause, event('resumed', NOON + 9000)]);
    expect(log.map((e) => [e.seq, e.type, e.at - NOON])).toEqual([
      [1, 'started', 0],
      [2, 'paused', 5000],
      [3, 'resumed', 9000],
    ]);
    expect((await getRun(db(), c, run.id)).events).toEqual(log);
  });

  it('keeps its order when two devices write at once', async () => {
    const { append } = await prepared();
    await append([event('started', NOON)]);
    await Promise.all(Array.from({ length: 8 }, (_, i) => append([event('next', NOON + i)])));
    const log = await append([event('paused', NOON + 100)]);
    expect(log.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(log.map((e) => e.at)).toEqual([...log.map((e) => e.at)].sort((a, b) => a - b));
  });

  it('lets no time run backwards or ahead of the server', async () => {
    const { append } = await prepared();
    const log = await append(
      [event('started', NOON), event('paused', NOON - 5000), event('resumed', NOON + HOUR)],
      NOON + MINUTE,
    );
    expect(log.map((e) => e.at - NOON)).toEqual([0, 0, MINUTE + 2000]);
  });
});

describe('closing a session', () => {
  it('stores the end, the register and the session as held, once', async () => {
    const { c, run, append } = await prepared();
    await append([event('started', NOON)]);
    const close = () =>
      closeSession(db(), c, c.sessionId, event('next', NOON + 20 * MINUTE), NOON + 20 * MINUTE);
    await close();
    await close();
    const { score, events } = await getRun(db(), c, run.id);
    expect(events.map((e) => e.type)).toEqual(['started', 'finished']);
    const end = position(score, events, NOON + HOUR).endedAt;
    expect(await getSession(db(), c, c.sessionId)).toMatchObject({
      status: 'held',
      runStartedAt: NOON,
      runFinishedAt: end,
    });
    expect(end).toBe(NOON + score.totalMs);
    expect((await roll(db(), c, c.sessionId)).map((e) => e.attendance?.mark)).toEqual([
      'absent',
      'absent',
    ]);
  });

  it('is refused while the class was never started', async () => {
    const { c } = await prepared();
    await expect(closeSession(db(), c, c.sessionId, event('next', NOON), NOON)).rejects.toThrow(
      /not been started/,
    );
  });
});
