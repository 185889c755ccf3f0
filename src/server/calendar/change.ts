import { type Conflict, closureOn, conflictsOf, localOf, moved, moveFrom } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dayLabel, timeOfDay } from '@/core/formats';
import { classInUse } from '../classes/classes';
import { closuresOf } from '../closed/closed';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { awaitedIn, type OnSession, placeOf, placesMoved, saidNoTo } from '../sessions/bookings';
import {
  getSession,
  holdSessions,
  type Session,
  sessionsBetween,
  sessionsInSeries,
  sessionsOfIds,
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

interface AskedChange extends Reach {
  change: Change;
  zone: string;
}

/** What became of sessions that were changed. */
export interface Changed {
  /** All of them, as they were and as they are. */
  all: { was: Session[]; is: Session[] };
  /** Who has room now that waited for it, and who has none any more. */
  movedUp: OnSession[];
  movedDown: OnSession[];
  /** Those that meet at another time or place than before, or as another class: as they were, and as they are. */
  was: Session[];
  is: Session[];
  /** Everybody else who is on the list of one of these, or was before. */
  concerned: OnSession[];
  /** Who said that they cannot come to one that is at another time now: they may be able to. */
  away: OnSession[];
}

/**
 * Changes a session, or its series from it on. Where that puts a session in the way of another, or into closed
 * days, it is asked first whether it is meant.
 * @param sure it was asked already
 * @throws Refusal `not-found`, `led-already`, `in-the-way`, `class-put-away`
 */
export async function changeSessions(
  db: Db,
  scope: Scope,
  { sure = false, ...asked }: AskedChange & { sure?: boolean },
): Promise<Changed> {
  return db.transaction(async (trx) => {
    await holdSessions(trx, scope, idsOf(await reached(trx, scope, asked)));
    const { before, after } = await foreseen(trx, scope, asked);
    const way = sure ? null : await inTheWay(trx, scope, { before, after, zone: asked.zone });
    if (way) throw way;
    const sessionIds = idsOf(before);
    const awaited = await awaitedIn(trx, scope, sessionIds);
    const { classId, teacherId, place, link, roomFor } = asked.change;
    for (const { id, startsAt } of after) {
      const set = {
        ...(asked.change.at && { starts_at: new Date(startsAt) }),
        ...(classId && { class_id: classId }),
        ...(teacherId !== undefined && { teacher_id: teacherId }),
        ...(place !== undefined && { place }),
        ...(link !== undefined && { link }),
        ...(roomFor !== undefined && { room_for: roomFor }),
      };
      if (Object.keys(set).length === 0) continue;
      await trx('sessions').where({ id, studio_id: scope.studioId }).update(set);
    }
    const now = await awaitedIn(trx, scope, sessionIds);
    const { up, down } = placesMoved(awaited, now);
    const all = { was: before, is: await sessionsOfIds(trx, scope, sessionIds) };
    const { was, is } = othersOf(all.was, all.is, asked.now);
    const otherIds = new Set(idsOf(is));
    const told = new Set([...up, ...down].map(placeOf));
    const people = new Map([...awaited, ...now].map((one) => [placeOf(one), one]));
    const concerned = [...people].flatMap(([place, one]) =>
      otherIds.has(one.sessionId) && !told.has(place) ? one : [],
    );
    const moved = is.filter((s, i) => s.startsAt !== was[i]?.startsAt);
    const away = await saidNoTo(trx, scope, idsOf(moved));
    return { all, movedUp: up, movedDown: down, was, is, concerned, away };
  });
}

/** Whether a session meets at another time or place than it did, or as another class. */
export const isElsewhere = (was: Session, is: Session): boolean =>
  was.startsAt !== is.startsAt ||
  was.classId !== is.classId ||
  was.place !== is.place ||
  was.link !== is.link;

/** Of sessions to come, those that whoever comes has to know of, since they are other ones now. */
function othersOf(before: readonly Session[], after: readonly Session[], now: number) {
  const was = new Map(before.map((s) => [s.id, s]));
  const is = after.filter((one) => {
    const s = was.get(one.id);
    const toCome = s && one.status === 'planned' && Math.max(s.startsAt, one.startsAt) > now;
    return toCome && isElsewhere(s, one);
  });
  return { was: is.flatMap(({ id }) => was.get(id) ?? []), is };
}

/**
 * Looks at a change of sessions before it is made.
 * @returns how many people it concerns, and what it would be in the way of, in words
 * @throws Refusal `not-found`, `led-already`, `class-put-away`
 */
export async function lookAtChange(
  db: Db,
  scope: Scope,
  asked: AskedChange,
): Promise<{ people: number; inTheWay: string | null }> {
  const { before, after } = await foreseen(db, scope, asked);
  const way = await inTheWay(db, scope, { before, after, zone: asked.zone });
  const { is } = othersOf(before, after, asked.now);
  const awaited = await awaitedIn(db, scope, idsOf(is));
  const people = new Set(awaited.map((one) => one.participantId)).size;
  return { people, inTheWay: way?.message ?? null };
}

/** The sessions that a change is about, as they are and as they would be. */
async function foreseen(
  db: Db,
  scope: Scope,
  { change, zone, ...reach }: AskedChange,
): Promise<{ before: Session[]; after: Session[] }> {
  const slotMs = change.classId ? await slots(db, scope, [change.classId]) : null;
  if (change.teacherId) await knowTeacher(db, scope, change.teacherId);
  const before = await reached(db, scope, reach);
  const [first] = before;
  const by = change.at && first ? moveFrom(localOf(first.startsAt, zone), change.at) : null;
  const after = before.map((s) => ({
    ...s,
    startsAt: by ? moved(localOf(s.startsAt, zone), by, zone) : s.startsAt,
    slotMs: slotMs?.get(change.classId ?? '') ?? s.slotMs,
    teacherId: change.teacherId === undefined ? s.teacherId : change.teacherId,
    place: change.place === undefined ? s.place : change.place,
    link: change.link === undefined ? s.link : change.link,
    classId: change.classId ?? s.classId,
  }));
  return { before, after };
}

const LONGEST_MS = 4 * 3_600_000;
const MOST_NAMED = 3;
const OVER = { teacher: 'with the same teacher', place: 'in the same place' };

/** Sessions as they are, and as they would be. */
interface BeforeAndAfter {
  before: readonly Session[];
  after: readonly Session[];
  zone: string;
}

/** Why not, where sessions would get in the way of others that they are not in already; else null. */
async function inTheWay(db: Db, scope: Scope, of: BeforeAndAfter): Promise<Refusal | null> {
  const way = await wayWords(db, scope, of);
  return way === null ? null : new Refusal('in-the-way', way);
}

/** What sessions are in the way of that they were not in the way of before, and which closed days, in words; else null. */
async function wayWords(
  db: Db,
  scope: Scope,
  { before, after, zone }: BeforeAndAfter,
): Promise<string | null> {
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
  if (says.length === 0) return null;
  const more = says.length > MOST_NAMED ? `; and ${says.length - MOST_NAMED} more` : '';
  return `${says.slice(0, MOST_NAMED).join('; ')}${more}`;
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
    await holdSessions(trx, scope, idsOf(await reached(trx, scope, reach)));
    const off = (await reached(trx, scope, reach)).filter((s) => s.status === 'planned');
    await trx('sessions')
      .where({ studio_id: scope.studioId })
      .whereIn('id', idsOf(off))
      .update({ status: 'cancelled', word });
    return off;
  });
}

const idsOf = (sessions: readonly Session[]) => sessions.map((s) => s.id);

/**
 * Puts a session that was called off back onto the calendar. Where something else is there by now, or closed days are, it
 * is asked first whether it is meant.
 * @param sure it was asked already
 * @returns the session, or null where it was not called off
 * @throws Refusal `not-found`, `class-put-away`, `in-the-way`
 */
export async function restoreSession(
  db: Db,
  scope: Scope,
  { id, zone, sure = false }: { id: string; zone: string; sure?: boolean },
): Promise<Session | null> {
  return db.transaction(async (trx) => {
    await holdSessions(trx, scope, [id]);
    const session = await getSession(trx, scope, id);
    if (session.status !== 'cancelled') return null;
    await classInUse(trx, scope, session.classId);
    const after = [{ ...session, status: 'planned' as const }];
    const way = sure ? null : await inTheWay(trx, scope, { before: [], after, zone });
    if (way) throw way;
    await trx('sessions')
      .where({ id, studio_id: scope.studioId })
      .update({ status: 'planned', word: null, closure_id: null });
    return getSession(trx, scope, id);
  });
}

/** What sessions that take place again are in the way of by now, in words; null where of nothing. */
export const againInTheWay = async (
  db: Db,
  scope: Scope,
  { ids, zone }: { ids: readonly string[]; zone: string },
): Promise<string | null> => {
  const after = await sessionsOfIds(db, scope, ids);
  return after.length === 0 ? null : wayWords(db, scope, { before: [], after, zone });
};
