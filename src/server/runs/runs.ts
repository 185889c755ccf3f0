import { randomUUID } from 'node:crypto';
import { tz } from '@date-fns/tz';
import { formatISO } from 'date-fns';
import { z } from 'zod';
import { changeRules, withEasier } from '@/core/class';
import {
  isRoomEvent,
  NO_NOTES,
  type Notes,
  noted,
  position,
  type RoomEvent,
  type RunEvent,
  type RunEventDraft,
  runEventDraftSchema,
  spent,
  talkOf,
} from '@/core/run';
import type { Score } from '@/core/score';
import { getClass } from '../classes/classes';
import type { Db } from '../db';
import { announce } from '../live/hub';
import { movesMet, studioBook } from '../moves/moves';
import { bigintMs } from '../rows';
import { Conflict, found, type Scope } from '../scope';
import { closeRegister, leave, mark, roll, walkIn } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import { compileMeasured, type Speaker } from '../speech/compile-measured';
import { noteTalk } from '../speech/teacher-speech';
import { voice } from '../speech/voice';

/** What happened in a session, and which device leads it. */
export interface RunLog {
  id: string;
  sessionId: string;
  events: RunEvent[];
  /** The device that leads; null until one does. */
  leader: string | null;
}

/** A session as it is led: the score it was started with, and everything that happened. */
export interface Run extends RunLog {
  score: Score;
  /** The same class with the easier version of every move that has one. */
  easier: Score | null;
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

async function eventsOf(db: Db, { studioId }: Scope, runId: string, after = 0) {
  const rows = await db('run_events')
    .where({ run_id: runId, studio_id: studioId })
    .where('seq', '>', after)
    .orderBy('seq')
    .select('seq', 'id', 'at_ms', 'type', 'data');
  return z.array(eventRowSchema).parse(rows);
}

/**
 * The log of a run, or what came after an event of it.
 * @throws NotFound where the run is not the studio's
 */
export async function getLog(db: Db, scope: Scope, id: string, after = 0): Promise<RunLog> {
  const row = await db('runs')
    .where({ id, studio_id: scope.studioId })
    .first('session_id', 'leader');
  const { session_id: sessionId, leader } = found(row, 'run');
  return { id, sessionId, events: await eventsOf(db, scope, id, after), leader };
}

async function runOf(db: Db, scope: Scope, where: { id: string } | { session_id: string }) {
  const row = await db('runs')
    .where({ ...where, studio_id: scope.studioId })
    .whereNotNull('score')
    .first('id', 'session_id', 'score', 'easier', 'leader');
  if (!row) return undefined;
  const { id, leader } = row;
  // The scores were compiled and stored by this server, so their shape is known.
  const [score, easier] = [row.score as Score, row.easier as Score | null];
  const events = await eventsOf(db, scope, id);
  return { id, sessionId: row.session_id, score, easier, events, leader } satisfies Run;
}

/** @throws NotFound where the run is not the studio's, or not ready yet */
export async function getRun(db: Db, scope: Scope, id: string): Promise<Run> {
  return found(await runOf(db, scope, { id }), 'run');
}

/** The run of a session once it has been made ready. */
export async function runOfSession(
  db: Db,
  scope: Scope,
  sessionId: string,
): Promise<Run | undefined> {
  return runOf(db, scope, { session_id: sessionId });
}

/**
 * Opens the log of a session, so that the roll can be taken before the voice is ready.
 * @throws NotFound where the session is not the studio's
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

/** Questions that were parked when a class met last, before a session of it. */
export async function parkedLastTime(
  db: Db,
  scope: Scope,
  session: { classId: string; startsAt: number },
): Promise<string[]> {
  const row = await db('runs')
    .join('sessions', 'sessions.id', 'runs.session_id')
    .where({
      'sessions.class_id': session.classId,
      'sessions.studio_id': scope.studioId,
      'sessions.status': 'held',
    })
    .where('sessions.starts_at', '<', new Date(session.startsAt))
    .orderBy('sessions.starts_at', 'desc')
    .first('runs.id');
  if (!row) return [];
  const { parked } = notesOf(await eventsOf(db, scope, row.id));
  return parked.map((q) => q.note);
}

const notesOf = (events: readonly RunEventDraft[]) =>
  events.filter(isRoomEvent).reduce<Notes>(noted, NO_NOTES);

const hasStarted = (run: RunLog) => run.events.some((e) => e.type === 'started');

/** How the cues of a run are said. */
export interface Saying {
  /** Who says them; this machine's voice where nobody is named, nobody where it is null. */
  speaker?: Speaker | null;
  talkingFactor?: number;
  /** Another rate for this run than the class has. */
  wordsPerMinute?: number;
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
  { speaker, talkingFactor, wordsPerMinute }: Saying = {},
): Promise<Run> {
  const session = await getSession(db, scope, sessionId);
  if (session.status === 'cancelled') throw new Conflict('This session was cancelled.');
  const existing = await runOfSession(db, scope, sessionId);
  if (existing && hasStarted(existing)) return existing;
  const stored = (await getClass(db, scope, session.classId)).plan;
  const plan = wordsPerMinute ? changeRules(stored, { wordsPerMinute }) : stored;
  const expected = await roll(db, scope, sessionId);
  const room = await movesMet(
    db,
    scope,
    expected.filter((e) => e.attendance?.mark !== 'absent').map((e) => e.participantId),
  );
  const book = await studioBook(db, scope);
  const speaking = speaker === undefined ? await voice() : speaker;
  const options = { room, talkingFactor };
  const score = await compileMeasured(plan, book, speaking, options);
  const easier = await compileMeasured(withEasier(plan, book.move), book, speaking, options);
  if (score.steps.length === 0) {
    throw new Conflict('This class is still empty. Add a move in Compose before you lead it.');
  }
  await db('runs')
    .insert({
      id: randomUUID(),
      studio_id: scope.studioId,
      session_id: sessionId,
      score: JSON.stringify(score),
      easier: JSON.stringify(easier),
      created_at: new Date(now),
    })
    .onConflict('session_id')
    .merge(['score', 'easier'])
    .whereNull('runs.started_at');
  return found(await runOfSession(db, scope, sessionId), 'run');
}

/** Thrown where a device bends a run that another one leads. */
export class NotLeading extends Conflict {
  constructor() {
    super(
      'Another device leads this class now. Take over there is on this screen, if you want it.',
    );
  }
}

/** Who sends events, and from where. */
export interface Sender {
  /** The device, where only the leading one may bend the run. */
  device?: string;
  /** The studio's time zone, for the day somebody joins on. */
  timeZone?: string;
  /** Who leads, to learn how much they talk. */
  teacherId?: string;
}

/**
 * Appends events to a run's log, each once, in the order given, and keeps the register up with them.
 * Times are kept from running backwards or ahead of the server's clock. Returns the whole log.
 * @throws NotFound where the run is not the studio's, NotLeading where another device leads
 */
export async function appendEvents(
  db: Db,
  scope: Scope,
  runId: string,
  drafts: readonly RunEventDraft[],
  now: number,
  { device, timeZone = 'UTC' }: Sender = {},
): Promise<RunEvent[]> {
  return db.transaction(async (trx) => {
    const row = await trx('runs')
      .where({ id: runId, studio_id: scope.studioId })
      .forUpdate()
      .first('id', 'session_id', 'started_at', 'leader');
    const run = found(row, 'run');
    const log = await eventsOf(trx, scope, runId);
    const known = new Set(log.map((e) => e.id));
    const fresh = drafts.filter((draft) => !known.has(draft.id) && known.add(draft.id));
    if (device && fresh.some((e) => !isRoomEvent(e))) {
      if (run.leader && run.leader !== device) throw new NotLeading();
      if (!run.leader) await trx('runs').where({ id: runId }).update({ leader: device });
    }
    let last = log.at(-1);
    for (const draft of fresh) {
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
      if (type === 'started' && !run.started_at) {
        await trx('runs')
          .where({ id: runId })
          .update({ started_at: new Date(at) });
      }
      if (isRoomEvent(last)) await keepRoom(trx, scope, run.session_id, last, timeZone);
    }
    if (fresh.length) await announce(trx, runId);
    return eventsOf(trx, scope, runId);
  });
}

/** Brings the register up with something that happened in the room. */
async function keepRoom(
  db: Db,
  scope: Scope,
  sessionId: string,
  event: RoomEvent,
  timeZone: string,
): Promise<void> {
  switch (event.type) {
    case 'marked':
      return mark(db, scope, sessionId, event.participantId, event.mark, event.at);
    case 'left':
      return leave(db, scope, sessionId, event.participantId, event.gone ? event.at : null);
    case 'walkedIn': {
      const joinedOn = formatISO(event.at, { representation: 'date', in: tz(timeZone) });
      const { participantId: id, name } = event;
      return walkIn(db, scope, sessionId, { id, name, joinedOn }, event.at);
    }
  }
}

/**
 * Lets a device lead a run from now on; the one that led before only watches.
 * @throws NotFound where the run is not the studio's
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

/**
 * Closes a session: the run is finished, the register is completed, corrections become notes on form,
 * and the session counts as held. Closing twice changes nothing.
 * @throws NotFound, NotLeading, Conflict where the run never started
 */
export async function closeSession(
  db: Db,
  scope: Scope,
  sessionId: string,
  draft: Pick<RunEventDraft, 'id' | 'at'>,
  now: number,
  sender: Sender = {},
): Promise<void> {
  await getSession(db, scope, sessionId);
  const run = await runOfSession(db, scope, sessionId);
  if (!run || !hasStarted(run)) {
    throw new Conflict('This class has not been started yet, so there is nothing to close.');
  }
  const closing = !run.events.some((e) => e.type === 'finished');
  await db.transaction(async (trx) => {
    if (closing) {
      await appendEvents(
        trx,
        scope,
        run.id,
        [{ id: draft.id, at: draft.at, type: 'finished' }],
        now,
        sender,
      );
    }
    const { score, easier, events } = await getRun(trx, scope, run.id);
    const { endedAt } = position(score, events, now, easier);
    await trx('runs')
      .where({ id: run.id, studio_id: scope.studioId })
      .update({ finished_at: endedAt === null ? null : new Date(endedAt) });
    await closeRegister(trx, scope, sessionId);
    if (closing && sender.teacherId) {
      const talk = talkOf(score, spent(score, events, now, easier), easier);
      const teacher = { id: sender.teacherId, studioId: scope.studioId };
      await noteTalk(trx, teacher, sessionId, talk, now);
    }
    const { corrections } = notesOf(events);
    if (corrections.length) {
      await trx('form_notes')
        .insert(
          corrections.map((c) => ({
            id: c.id,
            studio_id: scope.studioId,
            participant_id: c.participantId,
            session_id: sessionId,
            move_id: c.moveId,
            note: c.note,
            noted_at: new Date(c.at),
          })),
        )
        .onConflict('id')
        .ignore();
    }
    await trx('sessions')
      .where({ id: sessionId, studio_id: scope.studioId })
      .update({ status: 'held' });
  });
}
