import { randomUUID } from 'node:crypto';
import {
  type Closure,
  type Conflict,
  closureOn,
  conflictsOf,
  type FoundSeries,
  MOST_IN_SERIES,
  recurrenceOf,
  type Taking,
  type ToCome,
  unfold,
  type Wanted,
} from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { grouped } from '@/core/collections';
import { dateLabel } from '@/core/formats';
import { closuresOf, type StoredClosure } from '../closed/closed';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { type Session, sessionsBetween } from '../sessions/sessions';
import { closeFor } from './closures';

/** Sessions that are planned ahead: one, a series, or what a calendar file has. */

/** By whom sessions are led, where, and for how many. */
export interface Where {
  teacherId: string | null;
  place: string | null;
  link: string | null;
  /** How many there is room for; null without a limit. */
  roomFor: number | null;
}

/** Sessions as a teacher wants them planned. */
export interface Wish extends Wanted, Where {}

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

/** Length of the slot of each of some classes, in ms. @throws Refusal `not-found`, `class-put-away` */
export async function slots(
  db: Db,
  { studioId }: Scope,
  classIds: readonly string[],
): Promise<ReadonlyMap<string, number>> {
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .whereIn('id', [...classIds])
    .select('id', 'put_away_at', db.raw("(plan->>'slotSeconds')::int as slot_seconds"));
  if (rows.some((row) => row.put_away_at !== null)) throw new Refusal('class-put-away');
  const all = new Map(rows.map((row) => [row.id as string, 1000 * row.slot_seconds]));
  for (const id of classIds) if (!all.has(id)) throw new Refusal('not-found', 'class');
  return all;
}

/** @throws Refusal `not-found` where a teacher is named who is not of the studio */
export async function knowTeacher(db: Db, { studioId }: Scope, id: string | null): Promise<void> {
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
  return withConflicts(db, scope, {
    sessions,
    slotMs,
    teacherId: wish.teacherId,
    place: wish.place,
  });
}

/** Some sessions to come with what is in their way. */
async function withConflicts(
  db: Db,
  scope: Scope,
  {
    sessions,
    slotMs,
    teacherId,
    place,
  }: Pick<Wish, 'teacherId' | 'place'> & {
    sessions: readonly ToCome[];
    slotMs: ReadonlyMap<string, number>;
  },
): Promise<Foreseen[]> {
  const open = sessions.filter((s) => s.closed === null);
  const times = sessions.map((s) => s.startsAt);
  const among = await sessionsBetween(
    db,
    scope,
    Math.min(...times) - LONGEST_MS,
    Math.max(...times) + LONGEST_MS,
  );
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
  return db.transaction(async (trx) => {
    await knowTeacher(trx, scope, wish.teacherId);
    await slots(trx, scope, wish.classIds);
    const closures = await closuresOf(trx, scope);
    const sessions = unfolded(wish, { zone, closures });
    const recurrence = wish.rule && recurrenceOf(wish.rule, wish.start);
    return putOn(trx, scope, { sessions, closures, recurrence, where: wish, now });
  });
}

/** Stores sessions, as a series where they have a rule. */
async function putOn(
  db: Db,
  { studioId }: Scope,
  {
    sessions,
    closures,
    recurrence,
    where,
    now,
  }: {
    sessions: readonly ToCome[];
    closures: readonly StoredClosure[];
    recurrence: string | null;
    where: Where;
    now: number;
  },
): Promise<string[]> {
  const seriesId = recurrence === null ? null : randomUUID();
  if (recurrence !== null) {
    await db('series').insert({
      id: seriesId,
      studio_id: studioId,
      recurrence,
      start_date: sessions[0]?.occurrence.slice(0, 10),
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
    teacher_id: where.teacherId,
    place: where.place,
    link: where.link,
    room_for: where.roomFor,
    created_at: new Date(now),
  }));
  await db('sessions').insert(rows);
  return rows.map((row) => row.id);
}

/** Sessions that a calendar file has, as meetings of a class. */
export interface Brought {
  found: FoundSeries;
  classId: string;
  where: Where;
}

const toComeOf = (
  { found, classId }: Pick<Brought, 'found' | 'classId'>,
  closures: readonly Closure[],
): ToCome[] =>
  found.sessions.map((s) => ({
    ...s,
    classId,
    closed: closureOn(closures, s.occurrence.slice(0, 10))?.name ?? null,
  }));

/** A session whose class is not chosen yet is taken to last as long as this. */
const USUAL_SLOT_MS = 30 * 60_000;

/** How many of some sessions of a file get in the way of others, or fall into closed days. */
export async function foreseeBrought(
  db: Db,
  scope: Scope,
  { found, where }: Pick<Brought, 'found' | 'where'>,
): Promise<{ closed: number; conflicts: number }> {
  const sessions = toComeOf({ found, classId: '' }, await closuresOf(db, scope));
  const slotMs = new Map([['', USUAL_SLOT_MS]]);
  const all = await withConflicts(db, scope, { sessions, slotMs, ...where });
  return {
    closed: all.filter((s) => s.closed !== null).length,
    conflicts: all.filter((s) => s.conflicts.length > 0).length,
  };
}

/**
 * Puts what a calendar file has onto the calendar, closed days first: all of it, or nothing.
 * @returns the sessions that came, and those planned before that the closed days cancelled
 * @throws Refusal `not-found`, `too-many-closures`
 */
export async function bringIn(
  db: Db,
  scope: Scope,
  of: { brought: readonly Brought[]; closures: readonly Closure[]; zone: string; now: number },
): Promise<{ sessions: string[]; cancelled: string[] }> {
  const { zone, now } = of;
  return db.transaction(async (trx) => {
    const sessions: string[] = [];
    const cancelled: string[] = [];
    const known = new Set((await closuresOf(trx, scope)).map(spanOf));
    for (const closure of of.closures) {
      if (known.has(spanOf(closure))) continue;
      known.add(spanOf(closure));
      cancelled.push(...(await closeFor(trx, scope, { closure, zone, now })).cancelled);
    }
    const closures = await closuresOf(trx, scope);
    for (const one of of.brought) {
      await slots(trx, scope, [one.classId]);
      await knowTeacher(trx, scope, one.where.teacherId);
      const { recurrence } = one.found;
      const toCome = toComeOf(one, closures);
      const put = { sessions: toCome, closures, recurrence, where: one.where, now };
      sessions.push(...(await putOn(trx, scope, put)));
    }
    return { sessions, cancelled };
  });
}

const spanOf = ({ from, to, name }: Closure): string => `${from} ${to} ${name}`;
