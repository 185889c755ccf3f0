import { Refusal } from '@/core/calls';
import { type NewRunEvent, position, spent, talkOf } from '@/core/run';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { closeRegister } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import { noteTalk } from '../speech/teacher-speech';
import { appendEvents, type Sender } from './append';
import { keepFormNotes, notesOf } from './form-notes';
import { eventsOf, hasStarted } from './log';
import { getRun, runOfSession } from './prepare';

/** The end of a session, and what is left of it for the next one. */

/** A question that was parked, and where. */
export interface ParkedQuestion {
  runId: string;
  /** Id of the event. */
  id: string;
  note: string;
}

/** Questions that were parked when a class met last before a session of it, and are not answered yet. */
export async function parkedLastTime(
  db: Db,
  scope: Scope,
  session: { classId: string; startsAt: number },
): Promise<ParkedQuestion[]> {
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
  const answered = await db('answered_questions')
    .where({ run_id: row.id, studio_id: scope.studioId })
    .pluck('event_id');
  return parked
    .filter(({ id }) => !answered.includes(id))
    .map(({ id, note }) => ({ runId: row.id, id, note }));
}

/** Notes that a parked question was answered. @throws Refusal `not-found` where the run is not the studio's */
export async function answerQuestion(
  db: Db,
  { studioId }: Scope,
  { runId, id, now }: { runId: string; id: string; now: number },
): Promise<void> {
  found(await db('runs').where({ id: runId, studio_id: studioId }).first('id'), 'run');
  const event = { run_id: runId, studio_id: studioId, id, type: 'parked' };
  found(await db('run_events').where(event).first('id'), 'question');
  await db('answered_questions')
    .insert({ studio_id: studioId, run_id: runId, event_id: id, answered_at: new Date(now) })
    .onConflict(['run_id', 'event_id'])
    .ignore();
}

/**
 * Closes a session: the run is finished, the register is completed, corrections become notes on form,
 * and the session counts as held. Closing twice changes nothing.
 * @throws Refusal `not-found`, `not-leading`, `not-started`
 */
export async function closeSession(
  db: Db,
  scope: Scope,
  {
    sessionId,
    draft,
    now,
    ...sender
  }: Sender & { sessionId: string; draft: Pick<NewRunEvent, 'id' | 'at'>; now: number },
): Promise<void> {
  await getSession(db, scope, sessionId);
  const run = await runOfSession(db, scope, sessionId);
  if (!run || !hasStarted(run)) {
    throw new Refusal('not-started');
  }
  const closing = !run.events.some((e) => e.type === 'finished');
  await db.transaction(async (trx) => {
    if (closing) {
      await appendEvents(trx, scope, {
        runId: run.id,
        drafts: [{ id: draft.id, at: draft.at, type: 'finished' }],
        now,
        ...sender,
      });
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
      await noteTalk(trx, teacher, { sessionId, ...talk, ledAt: now });
    }
    await keepFormNotes(trx, scope, sessionId, notesOf(events));
    await trx('sessions')
      .where({ id: sessionId, studio_id: scope.studioId })
      .update({ status: 'held' });
  });
}
