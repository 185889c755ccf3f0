import { Refusal } from '@/core/calls';
import {
  isRoomEvent,
  type NewRunEvent,
  NO_NOTES,
  type Notes,
  noted,
  position,
  spent,
  talkOf,
} from '@/core/run';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { closeRegister } from '../sessions/register';
import { getSession } from '../sessions/sessions';
import { noteTalk } from '../speech/teacher-speech';
import { appendEvents, eventsOf, hasStarted, type Sender } from './log';
import { getRun, runOfSession } from './prepare';

/** The end of a session, and what is left of it for the next one. */

const notesOf = (events: readonly NewRunEvent[]) =>
  events.filter(isRoomEvent).reduce<Notes>(noted, NO_NOTES);

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
