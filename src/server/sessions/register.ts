import { randomUUID } from 'node:crypto';
import { dequal } from 'dequal';
import { z } from 'zod';
import { type Attendance, came, type Mark, marked, markSchema } from '@/core/attendance';
import type { FormNote, RollEntry } from '@/core/calls';
import { carriedCautionSchema } from '@/core/move';
import type { Db } from '../db';
import { movesMet } from '../moves/moves';
import { currentPerson, wasPerson } from '../people/former';
import { addParticipant } from '../people/people';
import { epochMs, maybeEpochMs, toDate } from '../rows';
import type { Scope } from '../scope';
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
    greet: z.boolean(),
    last_at: maybeEpochMs,
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
      greet: row.greet,
      lastAt: row.last_at,
    }),
  );

const noteRowSchema = z
  .object({ participant_id: z.uuid(), move_id: z.string(), note: z.string(), noted_at: epochMs })
  .transform((row) => ({
    participantId: row.participant_id,
    note: { moveId: row.move_id, note: row.note, at: row.noted_at } satisfies FormNote,
  }));

/** Open notes on the form of some people, the newest first. */
export async function formNotesOf(
  db: Db,
  { studioId }: Scope,
  participantIds: readonly string[],
): Promise<Map<string, FormNote[]>> {
  const rows = await db('form_notes')
    .where({ studio_id: studioId, settled_at: null })
    .whereIn('participant_id', [...participantIds])
    .orderBy('noted_at', 'desc')
    .select('participant_id', 'move_id', 'note', 'noted_at');
  const byPerson = new Map<string, FormNote[]>();
  for (const { participantId, note } of z.array(noteRowSchema).parse(rows)) {
    byPerson.set(participantId, [...(byPerson.get(participantId) ?? []), note]);
  }
  return byPerson;
}

/** Those booked on the class of a session who are in a pause on its day. */
const pausedFor = (db: Db, session: { id: string }) =>
  db('sessions as s')
    .join('studios', 'studios.id', 's.studio_id')
    .join('bookings as b', 'b.class_id', 's.class_id')
    .join('pauses as p', 'p.participant_id', 'b.participant_id')
    .where('s.id', session.id)
    .whereRaw('b.since <= s.starts_at and (b.until is null or s.starts_at < b.until)')
    .whereRaw(
      '(s.starts_at at time zone studios.time_zone)::date between p.from_date and p.to_date',
    )
    .distinct('b.participant_id')
    .as('paused');

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
    .leftJoin(pausedFor(db, session), 'paused.participant_id', 'participants.id')
    .where('participants.studio_id', scope.studioId)
    .where((either) =>
      either
        .whereNotNull('expected.session_id')
        // Whoever pauses may come all the same.
        .orWhereNotNull('paused.participant_id')
        // Who said they cannot come may come all the same, and is known then.
        .orWhereNotNull('own.coming')
        .orWhereNotNull('attendance.session_id'),
    )
    .orderByRaw('lower(participants.name)')
    .select(
      'participants.id as participant_id',
      'participants.name',
      db.raw('coalesce(expected.booked, false) as booked'),
      db.raw('coalesce(not expected.booked, false) as waiting'),
      db.raw(`own.coming is not distinct from false
        or (paused.participant_id is not null and expected.session_id is null) as away`),
      db.raw(
        `(select count(*)::int from attendance a join sessions s on s.id = a.session_id
          where a.participant_id = participants.id and a.arrived_at is not null
            and s.status = 'held' and s.starts_at < ?) as times_before`,
        [new Date(session.startsAt)],
      ),
      'attendance.mark',
      'attendance.arrived_at',
      'attendance.left_at',
      'participants.cautions',
      'participants.greet',
      db.raw(
        `(select max(s.starts_at) from attendance a join sessions s on s.id = a.session_id
          where a.participant_id = participants.id and a.arrived_at is not null
            and s.status = 'held' and s.starts_at < ?) as last_at`,
        [new Date(session.startsAt)],
      ),
    );
  const people = z.array(rollSchema).parse(rows);
  const ids = people.map((p) => p.participantId);
  // One after the other, since both may be asked in one transaction.
  const notes = await formNotesOf(db, scope, ids);
  const met = await movesMet(db, scope, ids);
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

/** Whose line of which register. */
export interface Line {
  sessionId: string;
  participantId: string;
}

/** Who changes a register, and when, epoch ms. */
export interface Changing {
  by: string;
  now: number;
}

const lineOf = (scope: Scope, { sessionId, participantId }: Line) => ({
  session_id: sessionId,
  participant_id: participantId,
  studio_id: scope.studioId,
});

/** What the register says of somebody. */
export async function attendanceOf(db: Db, scope: Scope, line: Line): Promise<Attendance | null> {
  const row = await db('attendance')
    .where(lineOf(scope, line))
    .first('mark', 'arrived_at', 'left_at');
  return row ? attendanceSchema.parse(row) : null;
}

/**
 * Puts into the register what is true of somebody, and notes who changed what.
 * @param id of the change, where whoever asked for it has made one
 * @returns the id of the change; null where nothing changed
 */
export async function putAttendance(
  db: Db,
  scope: Scope,
  {
    line,
    after,
    by,
    now,
    id = randomUUID(),
  }: Changing & { line: Line; after: Attendance | null; id?: string },
): Promise<string | null> {
  const before = await attendanceOf(db, scope, line);
  if (dequal(before, after)) return null;
  const of = lineOf(scope, line);
  if (after === null) await db('attendance').where(of).delete();
  else {
    await db('attendance')
      .insert(attendanceRow(scope, line.sessionId, line.participantId, after))
      .onConflict(['session_id', 'participant_id'])
      .merge();
  }
  await db('attendance_changes').insert({
    id,
    ...of,
    by_name: by,
    at: new Date(now),
    before: before && JSON.stringify(before),
    after: after && JSON.stringify(after),
  });
  return id;
}

/** Changes a line of the register; once the session is closed, who did it is noted. */
async function change(
  db: Db,
  scope: Scope,
  {
    line,
    by = '',
    now,
    to,
  }: {
    line: Line;
    by?: string;
    now: number;
    to: (before: Attendance | null) => Attendance | null;
  },
): Promise<void> {
  const session = await getSession(db, scope, line.sessionId);
  const participantId = await currentPerson(db, scope, line.participantId);
  // Nothing is kept of somebody who was erased.
  if (participantId === null) return;
  const who = { ...line, participantId };
  const after = to(await attendanceOf(db, scope, who));
  if (session.status === 'held') {
    await putAttendance(db, scope, { line: who, after, by, now });
  } else if (after === null) await db('attendance').where(lineOf(scope, who)).delete();
  else {
    await db('attendance')
      .insert(attendanceRow(scope, who.sessionId, participantId, after))
      .onConflict(['session_id', 'participant_id'])
      .merge();
  }
}

/** Marks one person, or takes their mark back with null. @throws Refusal `not-found` */
export async function mark(
  db: Db,
  scope: Scope,
  { value, now, by, ...line }: Line & { value: Mark | null; now: number; by?: string },
): Promise<void> {
  const to = (before: Attendance | null) => value && marked(before ?? undefined, value, now);
  return change(db, scope, { line, by, now, to });
}

/** Somebody nobody expected. */
export interface WalkIn {
  /** Made by the device that took them in. */
  id: string;
  name: string;
  /** ISO 8601 date. */
  joinedOn: string;
}

/**
 * Takes in somebody nobody expected and marks them here: by name, or by the id of who is on the register.
 * @throws Refusal `not-found`
 */
export async function walkIn(
  db: Db,
  scope: Scope,
  { sessionId, id, name, joinedOn, now }: WalkIn & { sessionId: string; now: number },
): Promise<void> {
  await getSession(db, scope, sessionId);
  const own = { id, studio_id: scope.studioId };
  const known = await db('participants').where(own).first('id');
  if (known || (await wasPerson(db, scope, id))) {
    return mark(db, scope, { sessionId, participantId: id, value: 'here', now });
  }
  // An id that is taken elsewhere is answered as any other: nobody learns who is in another studio.
  const taken = (await db('participants').where({ id }).first('id')) !== undefined;
  const ownId = taken ? randomUUID() : id;
  const person = { name, contact: null };
  await addParticipant(db, scope, { person, joinedOn, now, id: ownId });
  if (taken) {
    const former = { studio_id: scope.studioId, id, now_id: ownId, at: new Date(now) };
    await db('former_people').insert(former);
  }
  const here = marked(undefined, 'here', now);
  await db('attendance').insert(attendanceRow(scope, sessionId, ownId, here));
}

/** Notes when somebody left, or with null that they are back. Nobody leaves who was not there. */
export async function leave(
  db: Db,
  scope: Scope,
  { leftAt, now, by, ...line }: Line & { leftAt: number | null; now: number; by?: string },
): Promise<void> {
  const to = (before: Attendance | null) =>
    before && came(before.mark) ? { ...before, leftAt } : before;
  return change(db, scope, { line, by, now, to });
}

/** Whoever was booked and never marked was not here. */
export async function closeRegister(db: Db, scope: Scope, sessionId: string): Promise<void> {
  const open = (await roll(db, scope, sessionId)).filter((e) => e.booked && !e.attendance);
  if (open.length === 0) return;
  const absent: Attendance = { mark: 'absent', arrivedAt: null, leftAt: null };
  // Whoever is marked at this very moment by somebody else stays as they are marked.
  await db('attendance')
    .insert(open.map((e) => attendanceRow(scope, sessionId, e.participantId, absent)))
    .onConflict(['session_id', 'participant_id'])
    .ignore();
}
