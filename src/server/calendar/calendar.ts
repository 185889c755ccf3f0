import { randomUUID } from 'node:crypto';
import {
  type Closure,
  type Conflict,
  closureOn,
  conflictsOf,
  localOf,
  MOST_IN_SERIES,
  moved,
  moveFrom,
  recurrenceOf,
  type Taking,
  type ToCome,
  unfold,
  type Wanted,
} from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { grouped } from '@/core/collections';
import { dateLabel } from '@/core/formats';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { type MovedUp, movingUp } from '../sessions/bookings';
import { getSession, type Session, sessionsBetween, sessionsInSeries } from '../sessions/sessions';
import { closuresOf } from './closures';

/** Sessions that are planned ahead, moved and called off. */

/** Sessions as a teacher wants them planned. */
export interface Wish extends Wanted {
  teacherId: string | null;
  place: string | null;
  link: string | null;
  /** How many there is room for; null without a limit. */
  roomFor: number | null;
}

/** A session to come, with what is in its way. */
export interface Foreseen extends ToCome {
  /** Names and times of sessions at the same time with the same teacher or in the same place. */
  conflicts: { name: string; startsAt: number; over: Conflict['over'] }[];
}

const LONGEST_MS = 4 * 3_600_000;

/** What a wish unfolds into. @throws Refusal for what a teacher has to change or to choose first */
function unfolded(wish: Wish, of: { zone: string; closures: readonly Closure[] }): ToCome[] {
  const all = unfold(wish, of);
  if (all.ok) return all.sessions;
  if (all.why === 'missing' || all.why === 'twice') {
    const at = all.at
      .slice(0, 3)
      .map((local) => `${dateLabel(local.slice(0, 10))}, ${local.slice(11)}`);
    throw new Refusal(all.why === 'missing' ? 'time-missing' : 'time-twice', at.join('; '));
  }
  if (all.why === 'too-many') throw new Refusal('too-many-sessions', String(MOST_IN_SERIES));
  throw new Refusal('no-sessions');
}

const taking = (s: Session): Taking => ({
  id: s.id,
  startsAt: s.startsAt,
  slotMs: s.slotMs,
  teacherId: s.teacherId,
  place: s.place,
});

/** Length of the slot of each of some classes, in ms. @throws Refusal `not-found` */
async function slots(
  db: Db,
  { studioId }: Scope,
  classIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .whereIn('id', [...classIds])
    .select('id', db.raw("(plan->>'slotSeconds')::int as slot_seconds"));
  const all = new Map(rows.map((row) => [row.id as string, 1000 * row.slot_seconds]));
  for (const id of classIds) if (!all.has(id)) throw new Refusal('not-found', 'class');
  return all;
}

/** @throws Refusal `not-found` where a teacher is named who is not of the studio */
async function knowTeacher(db: Db, { studioId }: Scope, id: string | null): Promise<void> {
  if (id === null) return;
  found(await db('teachers').where({ id, studio_id: studioId }).first('id'), 'teacher');
}

/**
 * What would come onto the calendar, and what is in its way; nothing is stored.
 * @throws Refusal `too-many-sessions`, `no-sessions`, `time-missing`, `time-twice`, `not-found`
 */
export async function foresee(
  db: Db,
  scope: Scope,
  { wish, zone }: { wish: Wish; zone: string },
): Promise<Foreseen[]> {
  await knowTeacher(db, scope, wish.teacherId);
  const [closures, slotMs] = await Promise.all([
    closuresOf(db, scope),
    slots(db, scope, wish.classIds),
  ]);
  const sessions = unfolded(wish, { zone, closures });
  const open = sessions.filter((s) => s.closed === null);
  const times = sessions.map((s) => s.startsAt);
  const among = await sessionsBetween(
    db,
    scope,
    Math.min(...times) - LONGEST_MS,
    Math.max(...times) + LONGEST_MS,
  );
  const { teacherId, place } = wish;
  const looked = open.map((s): Taking => {
    const of = { startsAt: s.startsAt, slotMs: slotMs.get(s.classId) ?? 0 };
    return { id: s.occurrence, ...of, teacherId, place };
  });
  const planned = among.filter((s) => s.status === 'planned');
  const byId = new Map(planned.map((s) => [s.id, s]));
  const inTheWay = grouped(conflictsOf(looked, planned.map(taking)), (c) => c.id);
  return sessions.map((s) => ({
    ...s,
    conflicts: (inTheWay.get(s.occurrence) ?? []).flatMap(({ other, over }) => {
      const session = byId.get(other);
      return session ? [{ name: session.className, startsAt: session.startsAt, over }] : [];
    }),
  }));
}

/**
 * Puts sessions onto the calendar: one, or a series. What falls into a closure is there as cancelled, so that
 * it is neither kept nor broken.
 * @returns ids of the sessions, in order
 * @throws Refusal as `foresee` does
 */
export async function planSessions(
  db: Db,
  scope: Scope,
  { wish, zone, now }: { wish: Wish; zone: string; now: number },
): Promise<string[]> {
  const { studioId } = scope;
  return db.transaction(async (trx) => {
    await Promise.all([knowTeacher(trx, scope, wish.teacherId), slots(trx, scope, wish.classIds)]);
    const closures = await closuresOf(trx, scope);
    const sessions = unfolded(wish, { zone, closures });
    const seriesId = wish.rule ? randomUUID() : null;
    if (wish.rule) {
      await trx('series').insert({
        id: seriesId,
        studio_id: studioId,
        recurrence: recurrenceOf(wish.rule, wish.start),
        start_date: wish.start,
        created_at: new Date(now),
      });
    }
    const rows = sessions.map((s) => ({
      id: randomUUID(),
      studio_id: studioId,
      class_id: s.classId,
      starts_at: new Date(s.startsAt),
      status: s.closed === null ? 'planned' : 'cancelled',
      closure_id: closureOn(closures, s.occurrence.slice(0, 10))?.id ?? null,
      series_id: seriesId,
      occurrence: s.occurrence,
      teacher_id: wish.teacherId,
      place: wish.place,
      link: wish.link,
      room_for: wish.roomFor,
      created_at: new Date(now),
    }));
    await trx('sessions').insert(rows);
    return rows.map((row) => row.id);
  });
}

/** How far a change of one session of a series goes. */
export const WHICH = ['this', 'after', 'all'] as const;
export type Which = (typeof WHICH)[number];

export interface Reach {
  id: string;
  which: Which;
  /** Epoch ms. */
  now: number;
}

/**
 * The sessions that a change is about: the one itself and, of its series, those after it or all that are still
 * to come. What was led, has begun or is past is never among the others.
 * @throws Refusal `not-found`, `led-already`
 */
export async function reached(db: Db, scope: Scope, { id, which, now }: Reach): Promise<Session[]> {
  const session = await getSession(db, scope, id);
  if (session.runStartedAt !== null || session.status === 'held') throw new Refusal('led-already');
  if (which === 'this' || session.seriesId === null) return [session];
  const after = which === 'after' ? Math.max(now, session.startsAt) : now;
  const others = await sessionsInSeries(db, scope, { seriesId: session.seriesId, after });
  return [
    session,
    ...others.filter((s) => s.id !== id && s.runStartedAt === null && s.status !== 'held'),
  ];
}

export interface Change {
  /** When the session is to be now, as the clock on the wall shows it; others move along. */
  at?: string;
  classId?: string;
  teacherId?: string | null;
  place?: string | null;
  link?: string | null;
  roomFor?: number | null;
}

/**
 * Changes a session, or its series from it on.
 * @returns how many were changed, and who has room now that waited for it
 * @throws Refusal `not-found`, `led-already`
 */
export async function changeSessions(
  db: Db,
  scope: Scope,
  { change, zone, ...reach }: Reach & { change: Change; zone: string },
): Promise<{ changed: number; movedUp: MovedUp[] }> {
  return db.transaction(async (trx) => {
    if (change.classId) await slots(trx, scope, [change.classId]);
    if (change.teacherId) await knowTeacher(trx, scope, change.teacherId);
    const all = await reached(trx, scope, reach);
    const [first] = all;
    const by = change.at && first ? moveFrom(localOf(first.startsAt, zone), change.at) : null;
    const write = async () => {
      for (const s of all) {
        const set = {
          ...(by && { starts_at: new Date(moved(localOf(s.startsAt, zone), by, zone)) }),
          ...(change.classId && { class_id: change.classId }),
          ...(change.teacherId !== undefined && { teacher_id: change.teacherId }),
          ...(change.place !== undefined && { place: change.place }),
          ...(change.link !== undefined && { link: change.link }),
          ...(change.roomFor !== undefined && { room_for: change.roomFor }),
        };
        if (Object.keys(set).length === 0) continue;
        await trx('sessions').where({ id: s.id, studio_id: scope.studioId }).update(set);
      }
    };
    const sessionIds = all.map((s) => s.id);
    const movedUp = await movingUp(trx, scope, { sessionIds, work: write });
    return { changed: all.length, movedUp };
  });
}

/**
 * Calls sessions off, with a word for those who are booked.
 * @returns the sessions that were planned until now
 * @throws Refusal `not-found`, `led-already`
 */
export async function callOff(
  db: Db,
  scope: Scope,
  { word, ...reach }: Reach & { word: string | null },
): Promise<Session[]> {
  return db.transaction(async (trx) => {
    const off = (await reached(trx, scope, reach)).filter((s) => s.status === 'planned');
    await trx('sessions')
      .where({ studio_id: scope.studioId })
      .whereIn(
        'id',
        off.map((s) => s.id),
      )
      .update({ status: 'cancelled', word });
    return off;
  });
}

/** Puts a session that was called off back onto the calendar. @throws Refusal `not-found` */
export async function restoreSession(db: Db, scope: Scope, id: string): Promise<void> {
  const session = await getSession(db, scope, id);
  if (session.status !== 'cancelled') return;
  await db('sessions')
    .where({ id, studio_id: scope.studioId })
    .update({ status: 'planned', word: null, closure_id: null });
}
