import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { position, type RunEvent, type RunEventDraft, runEventDraftSchema } from '@/core/run';
import type { Score } from '@/core/score';
import { getClass } from '../classes/classes';
import type { Db } from '../db';
import { movesMet, studioBook } from '../moves/moves';
import { bigintMs } from '../rows';
import { Conflict, found, type Scope } from '../scope';
import { closeRegister, roll } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import { compileMeasured } from '../speech/compile-measured';

/** A session as it is led: the score it was started with, and everything that happened. */
export interface Run {
  id: string;
  sessionId: string;
  score: Score;
  events: RunEvent[];
}

/** How far ahead of the server's clock a device may be, in ms, before its time is drawn back. */
const CLOCK_SLACK_MS = 2_000;

const eventRowSchema = z
  .object({
    seq: z.number(),
    id: z.uuid(),
    at_ms: bigintMs,
    type: z.string(),
    data: z.record(z.string(), z.unknown()),
  })
  .transform(
    ({ seq, id, at_ms, type, data }): RunEvent => ({
      seq,
      ...runEventDraftSchema.parse({ id, at: at_ms, type, ...data }),
    }),
  );

async function eventsOf(db: Db, { studioId }: Scope, runId: string): Promise<RunEvent[]> {
  const rows = await db('run_events')
    .where({ run_id: runId, studio_id: studioId })
    .orderBy('seq')
    .select('seq', 'id', 'at_ms', 'type', 'data');
  return z.array(eventRowSchema).parse(rows);
}

async function runOf(db: Db, scope: Scope, where: { id: string } | { session_id: string }) {
  const row = await db('runs')
    .where({ ...where, studio_id: scope.studioId })
    .first('id', 'session_id', 'score');
  if (!row) return undefined;
  // The score was compiled and stored by this server, so its shape is known.
  const score = row.score as Score;
  const events = await eventsOf(db, scope, row.id);
  return { id: row.id, sessionId: row.session_id, score, events } satisfies Run;
}

/** @throws NotFound where the run is not the studio's */
export async function getRun(db: Db, scope: Scope, id: string): Promise<Run> {
  return found(await runOf(db, scope, { id }), 'run');
}

export async function runOfSession(
  db: Db,
  scope: Scope,
  sessionId: string,
): Promise<Run | undefined> {
  return runOf(db, scope, { session_id: sessionId });
}

/**
 * Makes the run of a session ready: the class as it is now, compiled with measured speech. Once the
 * run has begun its score stands, whatever is edited after.
 * @throws NotFound, Conflict where the session was cancelled or the class is empty
 */
export async function prepareRun(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<Run> {
  const session = await getSession(db, scope, sessionId);
  if (session.status === 'cancelled') throw new Conflict('This session was cancelled.');
  const existing = await runOfSession(db, scope, sessionId);
  if (existing?.events.length) return existing;
  const { plan } = await getClass(db, scope, session.classId);
  const expected = await roll(db, scope, sessionId);
  const room = await movesMet(
    db,
    scope,
    expected.filter((e) => e.attendance?.mark !== 'absent').map((e) => e.participantId),
  );
  const score = await compileMeasured(plan, await studioBook(db, scope), { room });
  if (score.steps.length === 0) {
    throw new Conflict('This class is still empty. Add a move in Compose before you lead it.');
  }
  await db('runs')
    .insert({
      id: randomUUID(),
      studio_id: scope.studioId,
      session_id: sessionId,
      score: JSON.stringify(score),
      created_at: new Date(now),
    })
    .onConflict('session_id')
    .merge(['score'])
    .whereNull('runs.started_at');
  return found(await runOfSession(db, scope, sessionId), 'run');
}

/**
 * Appends events to a run's log, each once, in the order given. Times are kept from running
 * backwards or ahead of the server's clock. Returns the whole log.
 * @throws NotFound where the run is not the studio's
 */
export async function appendEvents(
  db: Db,
  scope: Scope,
  runId: string,
  drafts: readonly RunEventDraft[],
  now: number,
): Promise<RunEvent[]> {
  return db.transaction(async (trx) => {
    const locked = await trx('runs')
      .where({ id: runId, studio_id: scope.studioId })
      .forUpdate()
      .first('id', 'session_id', 'started_at');
    found(locked, 'run');
    const log = await eventsOf(trx, scope, runId);
    const known = new Set(log.map((e) => e.id));
    let last = log.at(-1);
    for (const draft of drafts) {
      if (known.has(draft.id)) continue;
      known.add(draft.id);
      const at = Math.max(last?.at ?? 0, Math.min(draft.at, now + CLOCK_SLACK_MS));
      last = { ...draft, at, seq: (last?.seq ?? 0) + 1 };
      const { id, seq, type, at: _at, ...data } = last;
      await trx('run_events').insert({
        studio_id: scope.studioId,
        run_id: runId,
        seq,
        id,
        at_ms: at,
        type,
        data: JSON.stringify(data),
        received_at: new Date(now),
      });
      if (type === 'started' && !locked.started_at) {
        await trx('runs')
          .where({ id: runId })
          .update({ started_at: new Date(at) });
      }
    }
    return eventsOf(trx, scope, runId);
  });
}

/**
 * Closes a session: the run is finished, the register is completed and the session counts as held.
 * Closing twice changes nothing.
 * @throws NotFound, Conflict where the run never started
 */
export async function closeSession(
  db: Db,
  scope: Scope,
  sessionId: string,
  draft: RunEventDraft,
  now: number,
): Promise<void> {
  const run = found(await runOfSession(db, scope, sessionId), 'run');
  if (!run.events.some((e) => e.type === 'started')) {
    throw new Conflict('This class has not been started yet, so there is nothing to close.');
  }
  await db.transaction(async (trx) => {
    if (!run.events.some((e) => e.type === 'finished')) {
      await appendEvents(
        trx,
        scope,
        run.id,
        [{ ...draft, type: 'finished' } as RunEventDraft],
        now,
      );
    }
    const { score, events } = await getRun(trx, scope, run.id);
    const { endedAt } = position(score, events, now);
    await trx('runs')
      .where({ id: run.id, studio_id: scope.studioId })
      .update({ finished_at: endedAt === null ? null : new Date(endedAt) });
    await closeRegister(trx, scope, sessionId);
    await trx('sessions')
      .where({ id: sessionId, studio_id: scope.studioId })
      .update({ status: 'held' });
  });
}
