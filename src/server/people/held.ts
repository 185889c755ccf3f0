import { explain } from '@/core/streak';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { getPerson } from './person';
import { PERSON_TABLES } from './tables';

/** All that a studio holds about one person, for them to have. */

/**
 * Everything about somebody as one JSON value: their entry, each row of each table that names them, letters to
 * their address, and the accounts of their streaks in words.
 * @throws Refusal `not-found`
 */
export async function heldAbout(
  db: Db,
  scope: Scope,
  { id, zone, now }: { id: string; zone: string; now: number },
): Promise<Record<string, unknown>> {
  const { studioId } = scope;
  const person = await getPerson(db, scope, { id, zone, now });
  const rows: Record<string, unknown> = {};
  for (const { name } of PERSON_TABLES) {
    const all = await db(`${name} as t`)
      .where({ 't.studio_id': studioId, 't.participant_id': id })
      .select(db.raw("to_jsonb(t) - 'studio_id' - 'participant_id' as row"));
    rows[name] = all.map((r) => r.row);
  }
  const ids = [id, ...(await db('former_people').where({ now_id: id }).pluck('id'))];
  const events = await db('run_events')
    .where({ studio_id: studioId })
    .whereIn(db.raw("data->>'participantId'") as unknown as string, ids)
    .orderBy(['at_ms', 'seq'])
    .select('type', 'at_ms', 'data');
  const letters = person.contact
    ? await db('letters')
        .where({ studio_id: studioId })
        .whereRaw('lower(recipient) = lower(?)', [person.contact])
        .orderBy('written_at')
        .select('subject', 'body', 'written_at')
    : [];
  const { name, contact, language, joinedOn, leftOn, cautions, consentOn } = person;
  return {
    person: { name, contact, language, joinedOn, leftOn },
    cautions: { kept: cautions, consentOn },
    sessions: person.sessions,
    streaks: person.streaks.map(({ className, streak }) => ({
      className,
      current: streak.current,
      longest: streak.longest,
      account: explain(streak).map((line) => `${line.when}: ${line.says}`),
    })),
    letters,
    /** What the logs of sessions say of them. */
    events,
    rows,
  };
}
