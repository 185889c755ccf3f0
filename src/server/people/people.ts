import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { markSchema } from '@/core/attendance';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import { found, type Scope } from '../scope';
import { type Carried, carriedColumns, carriedRowSchema } from './carried';
import { type ClassStreak, streaksBy } from './streaks';

export interface Participant {
  id: string;
  name: string;
  contact: string | null;
  /** ISO 8601 date. */
  joinedOn: string;
}

export interface PersonSummary extends Participant {
  attended: number;
  streaks: ClassStreak[];
}

export interface PersonSession {
  sessionId: string;
  className: string;
  startsAt: number;
  status: 'planned' | 'held' | 'cancelled';
  mark: z.infer<typeof markSchema> | null;
  /** They wait for room. */
  waiting: boolean;
  arrivedAt: number | null;
  leftAt: number | null;
  runStartedAt: number | null;
  runFinishedAt: number | null;
}

const participantSchema = z
  .object({ id: z.uuid(), name: z.string(), contact: z.string().nullable(), joined_on: z.string() })
  .transform(({ joined_on, ...row }): Participant => ({ ...row, joinedOn: joined_on }));

const participantColumns = (db: Db) => [
  'participants.id',
  'participants.name',
  'participants.contact',
  db.raw("to_char(participants.joined_on, 'YYYY-MM-DD') as joined_on"),
];

export const newParticipantSchema = z.object({
  name: z.string().trim().min(1, 'Write the name they like to be called by.').max(80),
  contact: z
    .string()
    .trim()
    .max(120)
    .transform((text) => text || null)
    .nullable(),
});
export type NewParticipant = z.infer<typeof newParticipantSchema>;

export async function addParticipant(
  db: Db,
  scope: Scope,
  {
    person,
    joinedOn,
    now,
    id = randomUUID(),
  }: { person: NewParticipant; joinedOn: string; now: number; id?: string },
): Promise<string> {
  await db('participants').insert({
    id,
    studio_id: scope.studioId,
    name: person.name,
    contact: person.contact,
    joined_on: joinedOn,
    created_at: new Date(now),
  });
  return id;
}

/** Books somebody on a class from now on; booking twice changes nothing. */
export async function book(
  db: Db,
  { studioId }: Scope,
  { participantId, classId, now }: { participantId: string; classId: string; now: number },
): Promise<void> {
  await found(await db('classes').where({ id: classId, studio_id: studioId }).first('id'), 'class');
  await found(
    await db('participants').where({ id: participantId, studio_id: studioId }).first('id'),
    'participant',
  );
  await db('bookings')
    .insert({
      studio_id: studioId,
      class_id: classId,
      participant_id: participantId,
      since: new Date(now),
    })
    .onConflict(['class_id', 'participant_id'])
    .ignore();
}

/** Everybody of the studio, by name. */
export async function namesOfPeople(
  db: Db,
  { studioId }: Scope,
): Promise<{ id: string; name: string }[]> {
  return db('participants')
    .where({ studio_id: studioId })
    .orderByRaw('lower(name)')
    .select('id', 'name');
}

export async function listPeople(db: Db, scope: Scope): Promise<PersonSummary[]> {
  const [people, attended, streaks] = await Promise.all([
    db('participants')
      .where({ studio_id: scope.studioId })
      .orderByRaw('lower(name)')
      .select(participantColumns(db)),
    attendedBy(db, scope),
    streaksBy(db, scope),
  ]);
  return z
    .array(participantSchema)
    .parse(people)
    .map((p) => ({ ...p, attended: attended.get(p.id) ?? 0, streaks: streaks.get(p.id) ?? [] }));
}

async function attendedBy(db: Db, { studioId }: Scope): Promise<Map<string, number>> {
  const rows = await db('attendance')
    .join('sessions', 'sessions.id', 'attendance.session_id')
    .where({ 'attendance.studio_id': studioId, 'sessions.status': 'held' })
    .whereNot('attendance.mark', 'absent')
    .groupBy('attendance.participant_id')
    .select('attendance.participant_id', db.raw('count(*)::int as times'));
  return new Map(rows.map((row) => [row.participant_id, row.times]));
}

const personSessionSchema = z
  .object({
    session_id: z.uuid(),
    class_name: z.string(),
    starts_at: epochMs,
    status: z.enum(['planned', 'held', 'cancelled']),
    mark: markSchema.nullable(),
    waiting: z.boolean(),
    arrived_at: maybeEpochMs,
    left_at: maybeEpochMs,
    started_at: maybeEpochMs,
    finished_at: maybeEpochMs,
  })
  .transform(
    (row): PersonSession => ({
      sessionId: row.session_id,
      className: row.class_name,
      startsAt: row.starts_at,
      status: row.status,
      mark: row.mark,
      waiting: row.waiting,
      arrivedAt: row.arrived_at,
      leftAt: row.left_at,
      runStartedAt: row.started_at,
      runFinishedAt: row.finished_at,
    }),
  );

export interface Person extends Participant, Carried {
  streaks: ClassStreak[];
  /** Every session they were booked on or came to, newest first. */
  sessions: PersonSession[];
}

/** @throws Refusal `not-found` where the person is not the studio's */
export async function getPerson(db: Db, scope: Scope, id: string): Promise<Person> {
  const { studioId } = scope;
  const row = await db('participants')
    .where({ id, studio_id: studioId })
    .first([...participantColumns(db), ...carriedColumns(db)]);
  const participant = participantSchema.parse(found(row, 'participant'));
  const carried = carriedRowSchema.parse(row);
  const [streaks, sessions] = await Promise.all([
    streaksBy(db, scope, { participantId: id }),
    db('sessions')
      .join('classes', 'classes.id', 'sessions.class_id')
      .leftJoin('runs', 'runs.session_id', 'sessions.id')
      .leftJoin('attendance', (join) =>
        join
          .on('attendance.session_id', 'sessions.id')
          .andOn('attendance.participant_id', db.raw('?', [id])),
      )
      .leftJoin('session_people as expected', (join) =>
        join
          .on('expected.session_id', 'sessions.id')
          .andOn('expected.participant_id', db.raw('?', [id])),
      )
      .where('sessions.studio_id', studioId)
      .where((either) =>
        either.whereNotNull('expected.session_id').orWhereNotNull('attendance.session_id'),
      )
      .orderBy('sessions.starts_at', 'desc')
      .select(
        'sessions.id as session_id',
        db.raw("classes.plan->>'name' as class_name"),
        'sessions.starts_at',
        'sessions.status',
        'attendance.mark',
        db.raw('coalesce(not expected.booked, false) as waiting'),
        'attendance.arrived_at',
        'attendance.left_at',
        'runs.started_at',
        'runs.finished_at',
      ),
  ]);
  return {
    ...participant,
    ...carried,
    streaks: streaks.get(id) ?? [],
    sessions: z.array(personSessionSchema).parse(sessions),
  };
}
