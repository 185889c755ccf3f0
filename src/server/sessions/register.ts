import { z } from 'zod';
import { type Attendance, type Mark, marked, markSchema } from '@/core/attendance';
import { type FormNote, Refusal, type RollEntry } from '@/core/calls';
import { carriedCautionSchema } from '@/core/move';
import type { Db } from '../db';
import { movesMet } from '../moves/moves';
import { addParticipant } from '../people/people';
import { epochMs, maybeEpochMs, toDate } from '../rows';
import { found, type Scope } from '../scope';
import { getSession } from './sessions';

const rollSchema = z
  .object({
    participant_id: z.uuid(),
    name: z.string(),
    booked: z.boolean(),
    waiting: z.boolean(),
    away: z.boolean(),
    times_before: z.number(),
    mark: markSchema.nullable(),
    arrived_at: maybeEpochMs,
    left_at: maybeEpochMs,
    cautions: z.array(carriedCautionSchema),
  })
  .transform(
    (row): Omit<RollEntry, 'notes' | 'met'> => ({
      participantId: row.participant_id,
      name: row.name,
      booked: row.booked,
      waiting: row.waiting,
      away: row.away,
      timesBefore: row.times_before,
      attendance: row.mark
        ? { mark: row.mark, arrivedAt: row.arrived_at, leftAt: row.left_at }
        : null,
      cautions: row.cautions,
    }),
  );

const noteRowSchema = z
  .object({ participant_id: z.uuid(), move_id: z.string(), note: z.string(), noted_at: epochMs })
  .transform((row) => ({
    participantId: row.participant_id,
    note: { moveId: row.move_id, note: row.note, at: row.noted_at } satisfies FormNote,
  }));

/** Notes on the form of some people, the newest first. */
export async function formNotesOf(
  db: Db,
  { studioId }: Scope,
  participantIds: readonly string[],
): Promise<Map<string, FormNote[]>> {
  const rows = await db('form_notes')
    .where({ studio_id: studioId })
    .whereIn('participant_id', [...participantIds])
    .orderBy('noted_at', 'desc')
    .select('participant_id', 'move_id', 'note', 'noted_at');
  const byPerson = new Map<string, FormNote[]>();
  for (const { participantId, note } of z.array(noteRowSchema).parse(rows)) {
    byPerson.set(participantId, [...(byPerson.get(participantId) ?? []), note]);
  }
  return byPerson;
}

/** Everybody a session may expect or has met, by name. @throws Refusal `not-found` */
export async function roll(db: Db, scope: Scope, sessionId: string): Promise<RollEntry[]> {
  const session = await getSession(db, scope, sessionId);
  const rows = await db('participants')
    .leftJoin('session_people as expected', (join) =>
      join
        .on('expected.participant_id', 'participants.id')
        .andOn('expected.session_id', db.raw('?', [sessionId])),
    )
    .leftJoin('session_bookings as own', (join) =>
      join
        .on('own.participant_id', 'participants.id')
        .andOn('own.session_id', db.raw('?', [sessionId])),
    )
    .leftJoin('attendance', (join) =>
      join
        .on('attendance.participant_id', 'participants.id')
        .andOn('attendance.session_id', db.raw('?', [sessionId])),
    )
    .where('participants.studio_id', scope.studioId)
    .where((either) =>
      either
        .whereNotNull('expected.session_id')
        // Who said they cannot come may come all the same, and is known then.
        .orWhereNotNull('own.session_id')
        .orWhereNotNull('attendance.session_id'),
    )
    .orderByRaw('lower(participants.name)')
    .select(
      'participants.id as participant_id',
      'participants.name',
      db.raw('coalesce(expected.booked, false) as booked'),
      db.raw('coalesce(not expected.booked, false) as waiting'),
      db.raw('own.coming is not distinct from false as away'),
      db.raw(
        `(select count(*)::int from attendance a join sessions s on s.id = a.session_id
          where a.participant_id = participants.id and a.mark <> 'absent'
            and s.status = 'held' and s.starts_at < ?) as times_before`,
        [new Date(session.startsAt)],
      ),
      'attendance.mark',
      'attendance.arrived_at',
      'attendance.left_at',
      'participants.cautions',
    );
  const people = z.array(rollSchema).parse(rows);
  const ids = people.map((p) => p.participantId);
  const [notes, met] = await Promise.all([formNotesOf(db, scope, ids), movesMet(db, scope, ids)]);
  return people.map((p, i) => ({
    ...p,
    notes: notes.get(p.participantId) ?? [],
    met: [...(met[i] ?? [])].sort(),
  }));
}

const attendanceSchema = z
  .object({ mark: markSchema, arrived_at: maybeEpochMs, left_at: maybeEpochMs })
  .transform(
    (row): Attendance => ({ mark: row.mark, arrivedAt: row.arrived_at, leftAt: row.left_at }),
  );

const attendanceRow = (scope: Scope, sessionId: string, participantId: string, a: Attendance) => ({
  studio_id: scope.studioId,
  session_id: sessionId,
  participant_id: participantId,
  mark: a.mark,
  arrived_at: toDate(a.arrivedAt),
  left_at: toDate(a.leftAt),
});

/** Marks one person, or takes their mark back with null. @throws Refusal `not-found` */
export async function mark(
  db: Db,
  scope: Scope,
  {
    sessionId,
    participantId,
    value,
    now,
  }: { sessionId: string; participantId: string; value: Mark | null; now: number },
): Promise<void> {
  await getSession(db, scope, sessionId);
  found(
    await db('participants').where({ id: participantId, studio_id: scope.studioId }).first('id'),
    'participant',
  );
  const where = {
    session_id: sessionId,
    participant_id: participantId,
    studio_id: scope.studioId,
  };
  if (value === null) {
    await db('attendance').where(where).delete();
    return;
  }
  const row = await db('attendance').where(where).first('mark', 'arrived_at', 'left_at');
  const before = row && attendanceSchema.parse(row);
  const after = marked(before, value, now);
  await db('attendance')
    .insert(attendanceRow(scope, sessionId, participantId, after))
    .onConflict(['session_id', 'participant_id'])
    .merge();
}

/** Somebody nobody expected. */
export interface WalkIn {
  /** Made by the device that took them in. */
  id: string;
  name: string;
  /** ISO 8601 date. */
  joinedOn: string;
}

/** Takes in somebody nobody expected, by name, and marks them here. @throws Refusal `not-found`, `known-id` */
export async function walkIn(
  db: Db,
  scope: Scope,
  { sessionId, id, name, joinedOn, now }: WalkIn & { sessionId: string; now: number },
): Promise<void> {
  await getSession(db, scope, sessionId);
  if (await db('participants').where({ id }).first('id')) {
    throw new Refusal('known-id');
  }
  await addParticipant(db, scope, { person: { name, contact: null }, joinedOn, now, id });
  const here = marked(undefined, 'here', now);
  await db('attendance').insert(attendanceRow(scope, sessionId, id, here));
}

/** Notes when somebody left, or with null that they are back. Nobody leaves who was not there. */
export async function leave(
  db: Db,
  scope: Scope,
  {
    sessionId,
    participantId,
    leftAt,
  }: { sessionId: string; participantId: string; leftAt: number | null },
): Promise<void> {
  await db('attendance')
    .where({ session_id: sessionId, participant_id: participantId, studio_id: scope.studioId })
    .whereNot('mark', 'absent')
    .update({ left_at: toDate(leftAt) });
}

/** Whoever was booked and never marked was not here. */
export async function closeRegister(db: Db, scope: Scope, sessionId: string): Promise<void> {
  const open = (await roll(db, scope, sessionId)).filter((e) => e.booked && !e.attendance);
  if (open.length === 0) return;
  const absent: Attendance = { mark: 'absent', arrivedAt: null, leftAt: null };
  await db('attendance').insert(
    open.map((e) => attendanceRow(scope, sessionId, e.participantId, absent)),
  );
}
