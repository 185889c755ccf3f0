import { randomUUID } from 'node:crypto';
import { expect, it } from 'vitest';
import type { Db } from '../db';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { getSession } from '../sessions/sessions';
import { MINUTE, makeClass, NOON, type TestClass, testDatabase } from '../testing/studio';
import { untilAwaited } from '../testing/waiting';
import { callOff } from './change';
import { closeFor } from './closures';

const db = testDatabase();

/** A session whose stage is open, ready to be started. */
async function staged() {
  const c = await makeClass(db());
  const { id: runId } = await prepareRun(db(), c, {
    sessionId: c.sessionId,
    now: NOON,
    speaker: null,
  });
  const start = (on: Db = db()) => {
    const drafts = [{ id: randomUUID(), type: 'started' as const, at: NOON }];
    return appendEvents(on, c, { runId, drafts, now: NOON });
  };
  return { c, start };
}

const WAYS: Record<string, (c: TestClass) => Promise<unknown>> = {
  'called off with a word': (c) =>
    callOff(db(), c, { id: c.sessionId, which: 'this', word: 'Heating.', now: NOON }),
  'cancelled by closed days': (c) => {
    const closure = { from: '2026-11-20', to: '2026-11-30', name: 'Boat lift' };
    return closeFor(db(), c, { closure, zone: 'Europe/Dublin', now: NOON });
  },
};

it.each(Object.entries(WAYS))('what was %s and is led all the same takes place', async (_, off) => {
  const { c, start } = await staged();
  const session = () => getSession(db(), c, c.sessionId);
  await off(c);
  expect((await session()).status).toBe('cancelled');
  await start();
  expect(await session()).toMatchObject({ status: 'planned', word: null, closed: null });
  const draft = { id: randomUUID(), at: NOON + MINUTE };
  await closeSession(db(), c, { sessionId: c.sessionId, draft, now: NOON + MINUTE });
  await start();
  expect((await session()).status).toBe('held');
});

it.each(Object.entries(WAYS))('what begins while it is being %s is not', async (_, off) => {
  const { c, start } = await staged();
  const starting = await db().transaction();
  try {
    await start(starting);
    const answer = off(c).catch((problem: unknown) => problem);
    await untilAwaited(db(), starting);
    await starting.commit();
    expect(await answer).toMatchObject(
      off === WAYS['called off with a word'] ? { code: 'led-already' } : { cancelled: [] },
    );
  } finally {
    if (!starting.isCompleted()) await starting.rollback();
  }
  expect((await getSession(db(), c, c.sessionId)).status).toBe('planned');
});
