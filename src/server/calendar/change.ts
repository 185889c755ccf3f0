import { type Conflict, closureOn, conflictsOf, localOf, moved, moveFrom } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dayLabel, timeOfDay } from '@/core/formats';
import { closuresOf } from '../closed/closed';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { type MovedUp, movingUp } from '../sessions/bookings';
import {
  getSession,
  type Session,
  sessionsBetween,
  sessionsInSeries,
  waitForStarts,
} from '../sessions/sessions';
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
 * Changes a session, or its series from it on. Where that puts a session in the way of another, or into closed
 * days, it is asked first whether it is meant.
 * @param sure it was asked already
 * @returns how many were changed, and who has room now that waited for it
 * @throws Refusal `not-found`, `led-already`, `in-the-way`
 */
export async function changeSessions(
  db: Db,
  scope: Scope,
  {
    change,
    zone,
    sure = false,
    ...reach
  }: Reach & { change: Change; zone: string; sure?: boolean },
): Promise<{ changed: number; movedUp: MovedUp[] }> {
  return db.transaction(async (trx) => {
    const slotMs = change.classId ? await slots(trx, scope, [change.classId]) : null;
    if (change.teacherId) await knowTeacher(trx, scope, change.teacherId);
    const all = await reached(trx, scope, reach);
    const [first] = all;
    const by = change.at && first ? moveFrom(localOf(first.startsAt, zone), change.at) : null;
    const startOf = (s: Session) => (by ? moved(localOf(s.startsAt, zone), by, zone) : s.startsAt);
    if (!sure) {
      const after = all.map((s) => ({
        ...s,
        startsAt: startOf(s),
        slotMs: slotMs?.get(change.classId ?? '') ?? s.slotMs,
        teacherId: change.teacherId === undefined ? s.teacherId : change.teacherId,
        place: change.place === undefined ? s.place : change.place,
      }));
      await refuseInTheWay(trx, scope, { before: all, after, zone });
    }
    const write = async () => {
      for (const s of all) {
        const set = {
          ...(by && { starts_at: new Date(startOf(s)) }),
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
    const sessionIds = idsOf(all);
    const movedUp = await movingUp(trx, scope, { sessionIds, work: write });
    return { changed: all.length, movedUp };
  });
}

const LONGEST_MS = 4 * 3_600_000;
const MOST_NAMED = 3;
const OVER = { teacher: 'with the same teacher', place: 'in the same place' };

/** @throws Refusal `in-the-way` where sessions would get in the way of others that they are not in already */
async function refuseInTheWay(
  db: Db,
  scope: Scope,
  { before, after, zone }: { before: readonly Session[]; after: readonly Session[]; zone: string },
): Promise<void> {
  const planned = (sessions: readonly Session[]) => sessions.filter((s) => s.status === 'planned');
  const times = [...before, ...after].map((s) => s.startsAt);
  const around = await sessionsBetween(
    db,
    scope,
    Math.min(...times) - LONGEST_MS,
    Math.max(...times) + LONGEST_MS,
  );
  const ids = new Set(after.map((s) => s.id));
  const others = planned(around).filter((s) => !ids.has(s.id));
  const names = new Map([...others, ...after].map((s) => [s.id, s]));
  const key = ({ id, other, over }: Conflict) => `${id} ${other} ${over}`;
  const known = new Set(conflictsOf(planned(before), others).map(key));
  const fresh = conflictsOf(planned(after), others).filter((c) => !known.has(key(c)));
  const closures = await closuresOf(db, scope);
  const dateOf = (s: Session | undefined) => (s ? localOf(s.startsAt, zone).slice(0, 10) : '');
  const closed = planned(after).filter((s) => {
    const now = closureOn(closures, dateOf(s));
    return now && now !== closureOn(closures, dateOf(before.find((b) => b.id === s.id)));
  });
  const says = [
    ...fresh.map(({ other, over }) => {
      const s = names.get(other);
      return (
        s &&
        `${s.className}, ${dayLabel(s.startsAt, zone)}, ${timeOfDay(s.startsAt, zone)}, is ${OVER[over]}`
      );
    }),
    ...closed.map(
      (s) => `${dayLabel(s.startsAt, zone)} is closed: ${closureOn(closures, dateOf(s))?.name}`,
    ),
  ].filter((line): line is string => line !== undefined);
  if (says.length === 0) return;
  const more = says.length > MOST_NAMED ? `; and ${says.length - MOST_NAMED} more` : '';
  throw new Refusal('in-the-way', `${says.slice(0, MOST_NAMED).join('; ')}${more}`);
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
    await waitForStarts(trx, scope, idsOf(await reached(trx, scope, reach)));
    const off = (await reached(trx, scope, reach)).filter((s) => s.status === 'planned');
    await trx('sessions')
      .where({ studio_id: scope.studioId })
      .whereIn('id', idsOf(off))
      .update({ status: 'cancelled', word });
    return off;
  });
}

const idsOf = (sessions: readonly Session[]) => sessions.map((s) => s.id);

/** Puts a session that was called off back onto the calendar. @throws Refusal `not-found` */
export async function restoreSession(db: Db, scope: Scope, id: string): Promise<void> {
  const session = await getSession(db, scope, id);
  if (session.status !== 'cancelled') return;
  await db('sessions')
    .where({ id, studio_id: scope.studioId })
    .update({ status: 'planned', word: null, closure_id: null });
}
