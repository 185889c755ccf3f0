import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type SessionStatus, sessionStatusSchema } from '@/core/calendar';
import { classInUse } from '../classes/classes';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import { found, type Scope } from '../scope';

export interface Session {
  id: string;
  classId: string;
  className: string;
  slotMs: number;
  startsAt: number;
  status: SessionStatus;
  runStartedAt: number | null;
  runFinishedAt: number | null;
  /** How many have booked, those who wait not among them. */
  booked: number;
  /** How many wait for room. */
  waiting: number;
  /** How many there is room for; null without a limit. */
  roomFor: number | null;
  came: number;
  /** The series it belongs to, and when that has it, as the clock on the wall shows it. */
  seriesId: string | null;
  occurrence: string | null;
  /** Who leads it, where somebody is named. */
  teacherId: string | null;
  teacherName: string | null;
  place: string | null;
  /** Where the call of an online class is. */
  link: string | null;
  /** Why it was cancelled, in the teacher's words. */
  word: string | null;
  /** The closure that cancelled it. */
  closed: string | null;
}

const sessionSchema = z
  .object({
    id: z.uuid(),
    class_id: z.uuid(),
    class_name: z.string(),
    slot_seconds: z.number(),
    starts_at: epochMs,
    status: sessionStatusSchema,
    started_at: maybeEpochMs,
    finished_at: maybeEpochMs,
    wishes: z.number(),
    room_for: z.number().nullable(),
    came: z.number(),
    series_id: z.uuid().nullable(),
    occurrence: z.string().nullable(),
    teacher_id: z.uuid().nullable(),
    teacher_name: z.string().nullable(),
    place: z.string().nullable(),
    link: z.string().nullable(),
    word: z.string().nullable(),
    closed: z.string().nullable(),
  })
  .transform(
    (row): Session => ({
      id: row.id,
      classId: row.class_id,
      className: row.class_name,
      slotMs: row.slot_seconds * 1000,
      startsAt: row.starts_at,
      status: row.status,
      runStartedAt: row.started_at,
      runFinishedAt: row.finished_at,
      booked: Math.min(row.wishes, row.room_for ?? row.wishes),
      waiting: Math.max(0, row.wishes - (row.room_for ?? row.wishes)),
      roomFor: row.room_for,
      came: row.came,
      seriesId: row.series_id,
      occurrence: row.occurrence,
      teacherId: row.teacher_id,
      teacherName: row.teacher_name,
      place: row.place,
      link: row.link,
      word: row.word,
      closed: row.closed,
    }),
  );

const sessionsOf = (db: Db, { studioId }: Scope) =>
  db('sessions')
    .join('classes', 'classes.id', 'sessions.class_id')
    .leftJoin('runs', 'runs.session_id', 'sessions.id')
    .leftJoin('teachers', 'teachers.id', 'sessions.teacher_id')
    .leftJoin('closures', 'closures.id', 'sessions.closure_id')
    .where('sessions.studio_id', studioId)
    .select(
      'sessions.id',
      'sessions.class_id',
      db.raw("classes.plan->>'name' as class_name"),
      db.raw("(classes.plan->>'slotSeconds')::int as slot_seconds"),
      'sessions.starts_at',
      'sessions.status',
      'runs.started_at',
      'runs.finished_at',
      'sessions.series_id',
      'sessions.occurrence',
      'sessions.teacher_id',
      'teachers.name as teacher_name',
      'sessions.place',
      'sessions.link',
      'sessions.word',
      'closures.name as closed',
      'sessions.room_for',
      db.raw(`(select count(*)::int from session_wishes w
        where w.session_id = sessions.id) as wishes`),
      db.raw(`(select count(*)::int from attendance a
        where a.session_id = sessions.id and a.arrived_at is not null)
        + coalesce((select sum(n.people)::int from nameless_marks n
          where n.session_id = sessions.id and n.mark in ('here', 'late')), 0) as came`),
    );

/** Sessions that start within a span of time, in epoch ms, the first of them first. */
export async function sessionsBetween(
  db: Db,
  scope: Scope,
  from: number,
  to: number,
): Promise<Session[]> {
  const rows = await sessionsOf(db, scope)
    .where('sessions.starts_at', '>=', new Date(from))
    .where('sessions.starts_at', '<', new Date(to))
    .orderBy('sessions.starts_at');
  return z.array(sessionSchema).parse(rows);
}

/** Sessions of a series that start after an instant, in epoch ms, the first of them first. */
export async function sessionsInSeries(
  db: Db,
  scope: Scope,
  { seriesId, after }: { seriesId: string; after: number },
): Promise<Session[]> {
  const rows = await sessionsOf(db, scope)
    .where('sessions.series_id', seriesId)
    .where('sessions.starts_at', '>', new Date(after))
    .orderBy('sessions.starts_at');
  return z.array(sessionSchema).parse(rows);
}

/** Some sessions, those that are the studio's, the first of them first. */
export async function sessionsOfIds(
  db: Db,
  scope: Scope,
  ids: readonly string[],
): Promise<Session[]> {
  const rows = await sessionsOf(db, scope)
    .whereIn('sessions.id', [...ids])
    .orderBy('sessions.starts_at');
  return z.array(sessionSchema).parse(rows);
}

/** @throws Refusal `not-found` where the session is not the studio's */
export async function getSession(db: Db, scope: Scope, id: string): Promise<Session> {
  const row = await sessionsOf(db, scope).where('sessions.id', id).first();
  return sessionSchema.parse(found(row, 'session'));
}

/** Puts a meeting of a class on the calendar. @throws Refusal as `classInUse` does */
export async function planSession(
  db: Db,
  scope: Scope,
  { classId, startsAt, now }: { classId: string; startsAt: number; now: number },
): Promise<string> {
  await classInUse(db, scope, classId);
  const id = randomUUID();
  await db('sessions').insert({
    id,
    studio_id: scope.studioId,
    class_id: classId,
    starts_at: new Date(startsAt),
    status: 'planned',
    created_at: new Date(now),
  });
  return id;
}

/**
 * Notes that a session takes place, now that it has begun: also where it was called off while its stage stood open.
 * Whoever is calling it off waits for this, and hears then that it was led.
 */
export async function takesPlace(db: Db, { studioId }: Scope, id: string): Promise<void> {
  await db('sessions')
    .where({ id, studio_id: studioId })
    .whereNot('status', 'held')
    .update({ status: 'planned', word: null, closure_id: null });
}

/**
 * Holds sessions until the transaction is over: waits for whoever is just starting or changing one of them, or changing
 * who comes to it, and lets nobody do so meanwhile.
 */
export async function holdSessions(
  db: Db,
  { studioId }: Scope,
  ids: readonly string[],
): Promise<void> {
  await db('sessions')
    .where({ studio_id: studioId })
    .whereIn('id', [...ids])
    .orderBy('id')
    .forUpdate()
    .select('id');
}
