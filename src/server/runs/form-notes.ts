import { isRoomEvent, type NewRunEvent, NO_NOTES, type Notes, noted } from '@/core/run';
import type { Db } from '../db';
import { whoIsLeft } from '../people/former';
import type { Scope } from '../scope';

/** What is left of the corrections of a session: notes on form, which are told the next time. */

/** What was noted while a session was led, without what was struck out. */
export const notesOf = (events: readonly NewRunEvent[]): Notes =>
  events.filter(isRoomEvent).reduce<Notes>(noted, NO_NOTES);

/** Keeps the corrections of a session as notes on form, each once. Whoever was erased since has none. */
export async function keepFormNotes(
  db: Db,
  scope: Scope,
  sessionId: string,
  { corrections }: Pick<Notes, 'corrections'>,
): Promise<void> {
  for (const c of corrections) {
    const participantId = await whoIsLeft(db, scope, c.participantId);
    if (participantId === null) continue;
    await db('form_notes')
      .insert({
        id: c.id,
        studio_id: scope.studioId,
        participant_id: participantId,
        session_id: sessionId,
        move_id: c.moveId,
        note: c.note,
        noted_at: new Date(c.at),
      })
      .onConflict('id')
      .ignore();
  }
}

/**
 * Brings the notes on form of a session up with what comes after it was closed: from a device that had no connection
 * when another one closed it. While it is open nothing is done.
 */
export async function amendFormNotes(
  db: Db,
  scope: Scope,
  sessionId: string,
  late: readonly NewRunEvent[],
): Promise<void> {
  const struck = late.flatMap((event) => (event.type === 'struck' ? event.of : []));
  const { corrections } = notesOf(late);
  if (struck.length + corrections.length === 0) return;
  const closed = { id: sessionId, studio_id: scope.studioId, status: 'held' };
  if (!(await db('sessions').where(closed).first('id'))) return;
  const session = { studio_id: scope.studioId, session_id: sessionId };
  await db('form_notes').where(session).whereIn('id', struck).delete();
  await keepFormNotes(db, scope, sessionId, { corrections });
}
