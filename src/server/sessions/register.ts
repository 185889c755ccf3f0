import { z } from 'zod';
import { type Attendance, type Mark, marked, markSchema } from '@/core/attendance';
import type { Db } from '../db';
import { addParticipant } from '../people/people';
import { maybeEpochMs, toDate } from '../rows';
import { found, type Scope } from '../scope';
import { getSession } from './sessions';

/** Somebody on the roll of a session: booked on its class, or walked in. */
export interface RollEntry {
  participantId: string;
  name: string;
  booked: boolean;
  /** Held sessions they came to before this one. */
  timesBefore: number;
  attendance: Attendance | null;
}

const rollSchema = z
  .object({
    participant_id: z.uuid(),
    name: z.string(),
    booked: z.boolean(),
    times_before: z.number(),
    mark: markSchema.nullable(),
    arrived_at: maybeEpochMs,
    left_at: maybeEpochMs,
  })
  .transform(
    (row): RollEntry => ({
      participantId: row.participant_id,
      name: row.name,
      booked: row.booked,
      timesBefore: row.times_before,
      attendance: row.mark
        ? { mark: row.mark, arrivedAt: row.arrived_at, leftAt: row.left_at }
        : null,
    }),
  );

/** Everybody a session may expect or has met, by name. @throws NotFound */
export async function roll(db: Db, scope: Scope, sessionId: string): Promise<RollEntry[]> {
  const session = await getSession(db, scope, sessionId);
  const rows = await db('participants')
    .leftJoin('bookings', (join) =>
      join
        .on('bookings.participant_id', 'participants.id')
        .andOn('bookings.class_id', db.raw('?', [session.classId]))
        .andOn('bookings.since', '<=', db.raw('?', [new Date(session.startsAt)])),
    )
    .leftJoin('attendance', (join) =>
      join
        .on('attendance.participant_id', 'participants.id')
        .andOn('attendance.session_id', db.raw('?', [sessionId])),
    )
    .where('participants.studio_id', scope.studioId)
    .where((either) =>
      either.whereNotNull('bookings.class_id').orWhereNotNull('attendance.session_id'),
    )
    .orderByRaw('lower(participants.name)')
    .select(
      'participants.id as participant_id',
      'participants.name',
      db.raw('bookings.class_id is not null as booked'),
      db.raw(
        `(select count(*)::int from attendance a join sessions s on s.id = a.session_id
          where a.participant_id = participants.id and a.mark <> 'absent'
            and s.status = 'held' and s.starts_at < ?) as times_before`,
        [new Date(session.startsAt)],
      ),
      'attendance.mark',
      'attendance.arrived_at',
      'attendance.left_at',
    );
  return z.array(rollSchema).parse(rows);
}

const attendanceRow = (scope: Scope, sessionId: string, participantId: string, a: Attendance) => ({
  studio_id: scope.studioId,
  session_id: sessionId,
  participant_id: participantId,
  mark: a.mark,
  arrived_at: toDate(a.arrivedAt),
  left_at: toDate(a.leftAt),
});

/** Marks one person, or takes their mark back with null. @throws NotFound */
export async function mark(
  db: Db,
  scope: Scope,
  sessionId: string,
  participantId: string,
  value: Mark | null,
  now: number,
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
  const before = (await roll(db, scope, sessionId)).find((e) => e.participantId === participantId);
  const after = marked(before?.attendance ?? undefined, value, now);
  await db('attendance')
    .insert(attendanceRow(scope, sessionId, participantId, after))
    .onConflict(['session_id', 'participant_id'])
    .merge();
}

/** Takes in somebody nobody expected, by name, and marks them here. @throws NotFound */
export async function walkIn(
  db: Db,
  scope: Scope,
  sessionId: string,
  name: string,
  joinedOn: string,
  now: number,
): Promise<string> {
  await getSession(db, scope, sessionId);
  return db.transaction(async (trx) => {
    const id = await addParticipant(trx, scope, { name, contact: null }, joinedOn, now);
    const here = marked(undefined, 'here', now);
    await trx('attendance').insert(attendanceRow(scope, sessionId, id, here));
    return id;
  });
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
