import { z } from 'zod';
import { markSchema, takenPartMs } from '@/core/attendance';
import { type SessionStatus, sessionStatusSchema } from '@/core/calendar';
import type { Span } from '@/core/streak';
import type { Db } from '../db';
import { movesMet } from '../moves/moves';
import { epochMs, maybeEpochMs } from '../rows';
import { found, type Scope } from '../scope';
import { type Carried, carriedColumns, carriedRowSchema } from './carried';
import {
  type ClassBooking,
  type Participant,
  participantColumns,
  participantSchema,
} from './people';
import { type Practice, practiceOf } from './practice';
import { type ClassStreak, streaksBy } from './streaks';

/** All that a teacher sees of one person. */

export interface PersonSession {
  sessionId: string;
  className: string;
  startsAt: number;
  status: SessionStatus;
  mark: z.infer<typeof markSchema> | null;
  /** They wait for room. */
  waiting: boolean;
  /** How long they took part, in ms; null where it is not known. */
  tookMs: number | null;
}

/** A note on somebody's form. */
export interface PersonNote {
  id: string;
  moveId: string;
  note: string;
  notedAt: number;
  settledAt: number | null;
}

export interface Person extends Participant, Carried {
  bookings: ClassBooking[];
  pauses: (Span & { id: string })[];
  daysOff: string[];
  streaks: ClassStreak[];
  notes: PersonNote[];
  /** Ids of the moves they have met. */
  met: string[];
  /** Practice at home, the newest first. */
  practice: Practice[];
  /** Sessions they were booked on or came to, the newest first. */
  sessions: PersonSession[];
  /** They have an address of their own to log practice. */
  hasHome: boolean;
}

/** Most sessions that a page shows of one person, the newest. */
export const MOST_SESSIONS = 200;

const sessionSchema = z
  .object({
    session_id: z.uuid(),
    class_name: z.string(),
    starts_at: epochMs,
    status: sessionStatusSchema,
    mark: markSchema.nullable(),
    waiting: z.boolean(),
    arrived_at: maybeEpochMs,
    left_at: maybeEpochMs,
    started_at: maybeEpochMs,
    finished_at: maybeEpochMs,
  })
  .transform((row): PersonSession => {
    const { mark, started_at: started, finished_at: finished } = row;
    const known = mark !== null && started !== null && finished !== null;
    const of = mark && { mark, arrivedAt: row.arrived_at, leftAt: row.left_at };
    return {
      sessionId: row.session_id,
      className: row.class_name,
      startsAt: row.starts_at,
      status: row.status,
      mark,
      waiting: row.waiting,
      tookMs: known && of ? takenPartMs(of, started, finished) : null,
    };
  });

const bookingSchema = z
  .object({ class_id: z.uuid(), class_name: z.string(), since: epochMs, until: maybeEpochMs })
  .transform(
    ({ class_id, class_name, ...row }): ClassBooking => ({
      ...row,
      classId: class_id,
      className: class_name,
    }),
  );
const pauseSchema = z.object({ id: z.uuid(), from: z.string(), to: z.string() });
const noteSchema = z
  .object({
    id: z.uuid(),
    move_id: z.string(),
    note: z.string(),
    noted_at: epochMs,
    settled_at: maybeEpochMs,
  })
  .transform(
    (row): PersonNote => ({
      id: row.id,
      moveId: row.move_id,
      note: row.note,
      notedAt: row.noted_at,
      settledAt: row.settled_at,
    }),
  );

/** @throws Refusal `not-found` where the person is not the studio's */
export async function getPerson(
  db: Db,
  scope: Scope,
  { id, zone, now }: { id: string; zone: string; now: number },
): Promise<Person> {
  const { studioId } = scope;
  const row = await db('participants')
    .where({ id, studio_id: studioId })
    .first([...participantColumns(db), ...carriedColumns(db), 'home_hash']);
  const participant = participantSchema.parse(found(row, 'participant'));
  const theirs = { participant_id: id, studio_id: studioId };
  const [streaks, bookings, pauses, daysOff, notes, [met], practice, sessions] = await Promise.all([
    streaksBy(db, scope, { whose: { participantIds: [id] }, zone, now }),
    db('bookings')
      .join('classes', 'classes.id', 'bookings.class_id')
      .where({ 'bookings.participant_id': id, 'bookings.studio_id': studioId })
      .orderBy('since')
      .select(
        'class_id',
        db.raw("classes.plan->>'name' as class_name"),
        'since',
        db.raw('least(until, classes.put_away_at) as until'),
      ),
    db('pauses')
      .where(theirs)
      .orderBy('from_date')
      .select(
        'id',
        db.raw(`to_char(from_date, 'YYYY-MM-DD') as "from"`),
        db.raw(`to_char(to_date, 'YYYY-MM-DD') as "to"`),
      ),
    db('days_off').where(theirs).orderBy('day').select(db.raw("to_char(day, 'YYYY-MM-DD') as day")),
    db('form_notes')
      .where(theirs)
      .orderBy('noted_at', 'desc')
      .select('id', 'move_id', 'note', 'noted_at', 'settled_at'),
    movesMet(db, scope, [id]),
    practiceOf(db, scope, id),
    sessionsOf(db, scope, id),
  ]);
  return {
    ...participant,
    ...carriedRowSchema.parse(row),
    bookings: z.array(bookingSchema).parse(bookings),
    pauses: z.array(pauseSchema).parse(pauses),
    daysOff: z
      .array(z.object({ day: z.string() }))
      .parse(daysOff)
      .map((d) => d.day),
    streaks: streaks.get(id) ?? [],
    notes: z.array(noteSchema).parse(notes),
    met: [...(met ?? [])].sort(),
    practice,
    sessions,
    hasHome: row.home_hash !== null,
  };
}

async function sessionsOf(db: Db, { studioId }: Scope, id: string): Promise<PersonSession[]> {
  const rows = await db('sessions')
    .join('classes', 'classes.id', 'sessions.class_id')
    .leftJoin('runs', 'runs.session_id', 'sessions.id')
    .leftJoin('attendance', (join) =>
      join
        .on('attendance.session_id', 'sessions.id')
        .andOn('attendance.participant_id', db.raw('?', [id])),
    )
    .leftJoin('person_sessions as expected', (join) =>
      join
        .on('expected.session_id', 'sessions.id')
        .andOn('expected.participant_id', db.raw('?', [id])),
    )
    .where('sessions.studio_id', studioId)
    .where((either) =>
      either.whereNotNull('expected.session_id').orWhereNotNull('attendance.session_id'),
    )
    .orderBy('sessions.starts_at', 'desc')
    .limit(MOST_SESSIONS)
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
    );
  return z.array(sessionSchema).parse(rows);
}

/** Settles a note on form, or opens it again. @throws Refusal `not-found` */
export async function settleNote(
  db: Db,
  { studioId }: Scope,
  {
    participantId,
    id,
    settled,
    now,
  }: { participantId: string; id: string; settled: boolean; now: number },
): Promise<void> {
  const at = settled ? new Date(now) : null;
  const rows = await db('form_notes')
    .where({ id, studio_id: studioId, participant_id: participantId })
    .update({ settled_at: at, ...(settled && { seen_at: at }) })
    .returning('id');
  found(rows[0], 'note');
}
