import { localOf, moved, moveFrom } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { type MovedUp, movingUp } from '../sessions/bookings';
import { getSession, type Session, sessionsInSeries } from '../sessions/sessions';
import { knowTeacher, slots } from './plan';

/** Planned sessions that are moved, changed and called off. */

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
