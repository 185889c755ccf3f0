import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import {
  isRoomEvent,
  type NewRunEvent,
  newRunEventSchema,
  ROOM_EVENTS,
  type RoomEvent,
  type RunEvent,
} from '@/core/run';
import type { Db } from '../db';
import { announce, announcing } from '../live/hub';
import { currentPerson } from '../people/former';
import { bigintMs } from '../rows';
import { found, type Scope } from '../scope';
import { leave, mark, walkIn } from '../sessions/register';
import { getSession, takesPlace } from '../sessions/sessions';

/** The log of a session: what happened, in order, and which device leads. */

/** What happened in a session, and which device leads it. */
export interface RunLog {
  id: string;
  sessionId: string;
  events: RunEvent[];
  /** The device that leads; null until one does. */
  leader: string | null;
}

/** A class of four hours with forty people has a few hundred. */
export const MOST_LOGGED = 5000;

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
  const row = await db('runs')
    .where({ id, studio_id: scope.studioId })
    .first('session_id', 'leader');
  const { session_id: sessionId, leader } = found(row, 'run');
  return { id, sessionId, events: await eventsOf(db, scope, id, part), leader };
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
  await db('runs')
    .insert({
      id: randomUUID(),
      studio_id: scope.studioId,
      session_id: sessionId,
      created_at: new Date(now),
    })
    .onConflict('session_id')
    .ignore();
  const row = await db('runs')
    .where({ session_id: sessionId, studio_id: scope.studioId })
    .first('id');
  return getLog(db, scope, found(row, 'run').id);
}

export const hasStarted = (run: RunLog) => run.events.some((e) => e.type === 'started');

/** Who sends events, and from where. */
export interface Sender {
  /** The device, where only the leading one may bend the run. */
  device?: string;
  /** The studio's time zone, for the day somebody joins on. */
  timeZone?: string;
  /** Who leads, to learn how much they talk. */
  teacherId?: string;
  /** Their name, which stands beside what they change in a register that is closed. */
  by?: string;
}

/**
 * Appends events to a run's log, each once, in the order given, and keeps the register up with them.
 * Times are kept from running backwards or ahead of the server's clock.
 * @param after the newest event that is known to whoever sends them
 * @returns what came after it, with what is appended now, and who leads
 * @throws Refusal `not-found`; `not-leading` where another device leads; `log-full`
 */
export async function appendEvents(
  db: Db,
  scope: Scope,
  {
    runId,
    drafts,
    after = 0,
    now,
    device,
    timeZone = 'UTC',
    by,
  }: Sender & { runId: string; drafts: readonly NewRunEvent[]; after?: number; now: number },
): Promise<RunLog> {
  return db.transaction(async (trx) => {
    const row = await trx('runs')
      .where({ id: runId, studio_id: scope.studioId })
      .forUpdate()
      .first('id', 'session_id', 'started_at', 'leader');
    const run = found(row, 'run');
    const ids = drafts.map(({ id }) => id);
    const log = await eventsOf(trx, scope, runId, { after, ids });
    const known = new Set(log.map((e) => e.id));
    const fresh = drafts.filter((draft) => !known.has(draft.id) && known.add(draft.id));
    let { leader } = run;
    if (device && fresh.some((e) => !isRoomEvent(e))) {
      if (leader && leader !== device) throw new Refusal('not-leading');
      if (!leader) await trx('runs').where({ id: runId }).update({ leader: device });
      leader = device;
    }
    // The end of a class always has a place.
    let last = log.at(-1);
    const logged = last?.seq ?? 0;
    if (logged + fresh.length > MOST_LOGGED && fresh.some((e) => e.type !== 'finished')) {
      throw new Refusal('log-full', String(MOST_LOGGED));
    }
    const rows = fresh.map((draft) => {
      const at = Math.max(last?.at ?? 0, Math.min(draft.at, now + CLOCK_SLACK_MS));
      last = { ...draft, at, seq: (last?.seq ?? 0) + 1 };
      log.push(last);
      const { id, seq, type, at: _at, ...data } = last;
      return {
        studio_id: scope.studioId,
        run_id: runId,
        seq,
        id,
        at_ms: at,
        type,
        data: JSON.stringify(data),
        received_at: new Date(now),
      };
    });
    // Written and told at once: whoever follows waits for every way to the database and back.
    if (rows.length) await trx('run_events').insert(rows).returning(announcing(trx, runId));
    for (const event of log.slice(log.length - rows.length)) {
      if (event.type === 'started' && !run.started_at) {
        await trx('runs')
          .where({ id: runId })
          .update({ started_at: new Date(event.at) });
        await takesPlace(trx, scope, run.session_id);
      }
      if (isRoomEvent(event)) {
        await keepRoom(trx, scope, { sessionId: run.session_id, event, timeZone, by });
      }
    }
    const events = log.filter(({ seq }) => seq > after);
    return { id: runId, sessionId: run.session_id, events, leader };
  });
}

/** Brings the register up with something that happened in the room. */
async function keepRoom(
  db: Db,
  scope: Scope,
  {
    sessionId,
    event,
    timeZone,
    by,
  }: { sessionId: string; event: RoomEvent; timeZone: string; by?: string },
): Promise<void> {
  switch (event.type) {
    case 'marked':
      return mark(db, scope, {
        sessionId,
        participantId: event.participantId,
        value: event.mark,
        now: event.at,
        by,
      });
    case 'left':
      return leave(db, scope, {
        sessionId,
        participantId: event.participantId,
        leftAt: event.gone ? event.at : null,
        now: event.at,
        by,
      });
    case 'corrected':
      // Whoever never was here would stand in the way when the class is closed.
      await currentPerson(db, scope, event.participantId);
      return;
    case 'walkedIn': {
      const joinedOn = dateOn(event.at, timeZone);
      const { participantId: id, name } = event;
      return walkIn(db, scope, { sessionId, id, name, joinedOn, now: event.at });
    }
  }
}

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
