import { createHash } from 'node:crypto';
import { z } from 'zod';
import type { BookedPerson } from '@/core/checks';
import { type WallClock, wallClock } from '@/core/formats';
import { carriedCautionSchema, type Move } from '@/core/move';
import type { Db } from '../db';
import { movesMet, ownMoves } from '../moves/moves';
import { apart } from '../people/apart';
import type { Scope } from '../scope';

/** What Compose has to know about the people and the calendar of a class. */
export interface Room {
  people: BookedPerson[];
  /** Moves of the last sessions of the class, so that a draft can leave them out. */
  recent: string[];
  /** Most sessions of the class in one ISO week, from the current week on. */
  sessionsAWeek: number;
  /** The clock in the studio from when the class meets next; null where nothing is planned. */
  next: WallClock | null;
}

/** What Compose knows besides the class itself. */
export interface Surroundings {
  room: Room;
  /** The studio's own moves. */
  own: Move[];
  /** Another word when any of it changes. */
  stamp: string;
}

const RECENT_SESSIONS = 2;

const personSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  cautions: z.array(carriedCautionSchema),
});

/** Sessions that began so long ago may still be led. */
const STILL_MS = 12 * 3_600_000;

/** Everybody booked on a class, and whoever comes or waits for one of its sessions to come. */
const expectedBy = (db: Db, { classId, now }: { classId: string; now: number }) =>
  db('bookings')
    .where('class_id', classId)
    .where((q) => q.whereNull('until').orWhere('until', '>', new Date(now - STILL_MS)))
    .select('participant_id')
    .union(
      // Who was given it to do at home.
      db('home_classes').where('class_id', classId).select('participant_id'),
    )
    .union(
      db('session_bookings')
        .join('sessions', 'sessions.id', 'session_bookings.session_id')
        .where({ 'sessions.class_id': classId, 'sessions.status': 'planned', coming: true })
        .where('sessions.starts_at', '>=', new Date(now - STILL_MS))
        .select('participant_id'),
    );

/** @param zone the studio's time zone, in which weeks begin */
export async function roomOf(
  db: Db,
  scope: Scope,
  { classId, zone, now }: { classId: string; zone: string; now: number },
): Promise<Room> {
  const of = { 'sessions.class_id': classId, 'sessions.studio_id': scope.studioId };
  const [rows, recent, sessionsAWeek, next] = await Promise.all([
    db('participants')
      .where('participants.studio_id', scope.studioId)
      .whereIn('participants.id', expectedBy(db, { classId, now }))
      .orderByRaw('lower(participants.name)')
      .select('participants.id', 'participants.name', 'participants.cautions'),
    db
      .with('last', (q) =>
        q
          .from('sessions')
          .join('runs', 'runs.session_id', 'sessions.id')
          .where({ ...of, 'sessions.status': 'held' })
          .orderBy('sessions.starts_at', 'desc')
          .limit(RECENT_SESSIONS)
          .select('runs.moves'),
      )
      .from('last')
      .distinct(db.raw('unnest(moves) as move_id')),
    mostInAWeek(db, scope, { classId, zone, now }),
    db('sessions')
      .where({ ...of, 'sessions.status': 'planned' })
      .where('sessions.starts_at', '>=', new Date(now))
      .min({ at: 'sessions.starts_at' })
      .first(),
  ]);
  const people = z.array(personSchema).parse(rows);
  const ids = people.map((p) => p.id);
  const [met, told] = await Promise.all([movesMet(db, scope, ids), apart(db, scope, people)]);
  return {
    people: told.map(({ shown, ...p }, i) => ({ ...p, name: shown, met: met[i] ?? new Set() })),
    recent: recent.map((row: { move_id: string }) => row.move_id),
    next: next?.at ? wallClock(new Date(next.at).getTime(), zone) : null,
    sessionsAWeek,
  };
}

/** @param zone the studio's time zone, in which weeks begin */
export async function surroundingsOf(
  db: Db,
  scope: Scope,
  of: { classId: string; zone: string; now: number },
): Promise<Surroundings> {
  const [room, own] = await Promise.all([roomOf(db, scope, of), ownMoves(db, scope)]);
  const stamp = createHash('sha256')
    .update(JSON.stringify([sentRoom(room), own]))
    .digest('hex');
  return { room, own, stamp: stamp.slice(0, 16) };
}

/** A room as it is sent. */
export const sentRoom = ({ people, ...room }: Room) => ({
  ...room,
  people: people.map((p) => ({
    ...p,
    cautions: [...p.cautions],
    met: [...p.met].sort(),
  })),
});

/**
 * Most sessions of a class in one ISO week, from the current week on; called off ones do not count.
 * @param zone the studio's time zone, in which weeks begin
 */
export async function mostInAWeek(
  db: Db,
  { studioId }: Scope,
  { classId, zone, now }: { classId: string; zone: string; now: number },
): Promise<number> {
  const week = db.raw("date_trunc('week', starts_at at time zone ?)", [zone]);
  const weeks = await db('sessions')
    .where({ class_id: classId, studio_id: studioId })
    .whereNot('status', 'cancelled')
    .whereRaw("starts_at at time zone ? >= date_trunc('week', ?::timestamptz at time zone ?)", [
      zone,
      new Date(now),
      zone,
    ])
    .groupBy(week)
    .select(db.raw('count(*)::int as times'));
  return Math.max(0, ...weeks.map((row: { times: number }) => row.times));
}
