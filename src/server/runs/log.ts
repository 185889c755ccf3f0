import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { newRunEventSchema, ROOM_EVENTS, type RunEvent } from '@/core/run';
import { type Db, isForeignKeyError } from '../db';
import { announce } from '../live/hub';
import { bigintMs } from '../rows';
import { found, type Scope } from '../scope';
import { getSession } from '../sessions/sessions';

/** The log of a session: what happened, in order, and which device leads. */

/** What happened in a session, and which device leads it. */
export interface RunLog {
  id: string;
  sessionId: string;
  events: RunEvent[];
  /** The device that leads; null until one does. */
  leader: string | null;
  /** The number of what it is made ready with; 0 until it is. */
  made: number;
}

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
      ...newRunEventSchema.parse({ id, at: at_ms, type, ...data }),
    }),
  );

/** Which events of a log are meant. */
export interface Part {
  /** Those after this one. */
  after?: number;
  /** Those that a screen may show which everybody sees: nothing of the people in the room. */
  forScreen?: boolean;
  /** And these besides, and the newest of all, however early they are. */
  ids?: readonly string[];
}

/** The events of a run, or some of them. */
export async function eventsOf(
  db: Db,
  { studioId }: Scope,
  runId: string,
  { after = 0, forScreen = false, ids }: Part = {},
) {
  const newest = db('run_events').where({ run_id: runId, studio_id: studioId }).max('seq');
  const rows = await db('run_events')
    .where({ run_id: runId, studio_id: studioId })
    .where((meant) => {
      meant.where('seq', '>', after);
      if (ids) meant.orWhereIn('id', [...ids]).orWhere('seq', newest);
    })
    .modify((query) => forScreen && query.whereNotIn('type', ROOM_EVENTS))
    .orderBy('seq')
    .select('seq', 'id', 'at_ms', 'type', 'data');
  return z.array(eventRowSchema).parse(rows);
}

/**
 * The log of a run, or what came after an event of it.
 * @throws Refusal `not-found` where the run is not the studio's
 */
export async function getLog(db: Db, scope: Scope, id: string, part: Part = {}): Promise<RunLog> {
  // First what happened: who hears that it began is to hear what it began with.
  const events = await eventsOf(db, scope, id, part);
  const row = await db('runs')
    .where({ id, studio_id: scope.studioId })
    .first('session_id', 'leader', 'prepared');
  const { session_id: sessionId, leader, prepared: made } = found(row, 'run');
  return { id, sessionId, events, leader, made };
}

/**
 * Opens the log of a session, so that the roll can be taken before the voice is ready.
 * @throws Refusal `not-found` where the session is not the studio's
 */
export async function openLog(
  db: Db,
  scope: Scope,
  sessionId: string,
  now: number,
): Promise<RunLog> {
  await getSession(db, scope, sessionId);
  try {
    await db('runs')
      .insert({
        id: randomUUID(),
        studio_id: scope.studioId,
        session_id: sessionId,
        created_at: new Date(now),
      })
      .onConflict('session_id')
      .ignore();
  } catch (error) {
    // The session was removed meanwhile, with its class.
    if (isForeignKeyError(error)) throw new Refusal('not-found', 'session');
    throw error;
  }
  const row = await db('runs')
    .where({ session_id: sessionId, studio_id: scope.studioId })
    .first('id');
  return getLog(db, scope, found(row, 'run').id);
}

export const hasStarted = (run: RunLog) => run.events.some((e) => e.type === 'started');

/**
 * Lets a device lead a run from now on; the one that led before only watches.
 * @throws Refusal `not-found` where the run is not the studio's
 */
export async function takeLead(db: Db, scope: Scope, runId: string, device: string): Promise<void> {
  await db.transaction(async (trx) => {
    const rows = await trx('runs')
      .where({ id: runId, studio_id: scope.studioId })
      .update({ leader: device })
      .returning('id');
    found(rows[0], 'run');
    await announce(trx, runId);
  });
}
