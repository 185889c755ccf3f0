import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { mark, roll } from '../sessions/register';
import { getSession, planSession } from '../sessions/sessions';
import { DAY, MINUTE, makeClass, NOON, testDatabase } from '../testing/studio';
import {
  appendEvents,
  closeSession,
  freeLead,
  getLog,
  prepareRun,
  sessionsLeft,
  sessionToLead,
} from '.';

const db = testDatabase();

/** A class that was begun at noon and paused a minute later by a device that is gone. */
async function leftAlone() {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
  const device = randomUUID();
  const drafts = [
    { id: randomUUID(), type: 'started' as const, at: NOON },
    { id: randomUUID(), type: 'paused' as const, at: NOON + MINUTE },
  ];
  await appendEvents(db(), c, { runId: run.id, drafts, now: NOON + MINUTE, device });
  return { c, runId: run.id };
}

describe('a session that was begun and never closed', () => {
  it('is found from ten minutes on, by its own studio alone, until it is closed', async () => {
    const { c } = await leftAlone();
    const other = await makeClass(db());
    const found = async (scope: typeof c, minutes: number) =>
      (await sessionsLeft(db(), scope, { now: NOON + minutes * MINUTE })).map((s) => [
        s.sessionId,
        s.how,
        s.since,
      ]);
    expect(await found(c, 10)).toEqual([]);
    expect(await found(c, 61)).toEqual([[c.sessionId, 'paused', NOON + MINUTE]]);
    expect(await found(other, 61)).toEqual([]);
    const unmarked = async () =>
      (await sessionsLeft(db(), c, { now: NOON + 61 * MINUTE })).map((s) => s.unmarked);
    expect(await unmarked()).toEqual([2]);
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: 'here', now: NOON });
    expect(await unmarked()).toEqual([1]);
    await mark(db(), c, { sessionId: c.sessionId, participantId: c.ada, value: null, now: NOON });
    const elsewhere = { now: NOON + 61 * MINUTE, classId: other.classId };
    expect(await sessionsLeft(db(), c, elsewhere)).toEqual([]);

    const now = NOON + 61 * MINUTE;
    await closeSession(db(), c, {
      sessionId: c.sessionId,
      draft: { id: randomUUID(), at: now },
      now,
    });
    expect(await found(c, 62)).toEqual([]);
    // It ended when it was left, and whoever was booked and not marked was not here.
    const session = await getSession(db(), c, c.sessionId);
    expect([session.status, session.runFinishedAt]).toEqual(['held', NOON + MINUTE]);
    const marks = (await roll(db(), c, c.sessionId)).map((e) => e.attendance?.mark);
    expect(marks).toEqual(['absent', 'absent']);
  });

  it('can be led on by another device once the lead is free', async () => {
    const { c, runId } = await leftAlone();
    const drafts = [{ id: randomUUID(), type: 'resumed' as const, at: NOON + 61 * MINUTE }];
    const goOn = { runId, drafts, now: NOON + 61 * MINUTE, device: randomUUID() };
    await expect(appendEvents(db(), c, goOn)).rejects.toMatchObject({ code: 'not-leading' });
    await freeLead(db(), await makeClass(db()), c.sessionId);
    await expect(appendEvents(db(), c, goOn)).rejects.toMatchObject({ code: 'not-leading' });
    await freeLead(db(), c, c.sessionId);
    await appendEvents(db(), c, goOn);
    expect((await getLog(db(), c, runId)).leader).toBe(goOn.device);
  });

  it('does not stand in the way of a new one', async () => {
    const { c } = await leftAlone();
    const now = NOON + 61 * MINUTE;
    const anew = await planSession(db(), c, { classId: c.classId, startsAt: now, now });
    const toLead = { classId: c.classId, timeZone: 'Europe/Dublin', now };
    expect(await sessionToLead(db(), c, toLead)).toEqual({ id: c.sessionId, left: true });
    const run = await prepareRun(db(), c, { sessionId: anew, now });
    const drafts = [{ id: randomUUID(), type: 'started' as const, at: now }];
    await appendEvents(db(), c, { runId: run.id, drafts, now });
    expect(await sessionToLead(db(), c, toLead)).toEqual({ id: anew, left: false });
  });
});

describe('the session that is led', () => {
  it('is the one planned for today, in a day that is 25 hours long as well', async () => {
    const c = await makeClass(db());
    // 25 October 2026 in Dublin: the clocks go back, and the day ends 25 hours after it began.
    const noon = Date.UTC(2026, 9, 25, 12);
    const lead = (now: number) =>
      sessionToLead(db(), c, { classId: c.classId, timeZone: 'Europe/Dublin', now }).then(
        (toLead) => toLead.id,
      );
    const late = await planSession(db(), c, {
      classId: c.classId,
      startsAt: Date.UTC(2026, 9, 25, 23, 30),
      now: noon,
    });
    expect(await lead(noon)).toBe(late);
    const tomorrow = await planSession(db(), c, {
      classId: c.classId,
      startsAt: Date.UTC(2026, 9, 26, 0, 30),
      now: noon,
    });
    expect(await lead(noon)).toBe(late);
    expect(await lead(Date.UTC(2026, 9, 26, 12))).toBe(tomorrow);
  });

  it('is a new one where nothing is planned for today', async () => {
    const c = await makeClass(db());
    const before = NOON - 30 * DAY;
    const { id: made } = await sessionToLead(db(), c, {
      classId: c.classId,
      timeZone: 'Europe/Dublin',
      now: before,
    });
    expect(made).not.toBe(c.sessionId);
    expect(
      await sessionToLead(db(), c, {
        classId: c.classId,
        timeZone: 'Europe/Dublin',
        now: before + MINUTE,
      }),
    ).toEqual({ id: made, left: false });
  });
});
