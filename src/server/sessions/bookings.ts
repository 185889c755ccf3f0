import { z } from 'zod';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { MOST_BOOKED } from '../people/people';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';
import { getSession, holdSessions, type Session } from './sessions';

/** Who comes to one session, and who waits for room. */

export interface Booking {
  participantId: string;
  name: string;
  /** Since when they are booked, epoch ms; who waits moves up in this order. */
  at: number;
  /** False for somebody who waits for room. */
  booked: boolean;
  /** Whether they are booked on the class, and so on each of its sessions. */
  always: boolean;
}

/** The people of a session in the order in which they were booked, and those who said they cannot come. */
export interface SessionPeople {
  coming: Booking[];
  away: { participantId: string; name: string }[];
}

const bookingSchema = z
  .object({
    participant_id: z.uuid(),
    name: z.string(),
    at: epochMs,
    booked: z.boolean(),
    always: z.boolean(),
  })
  .transform(({ participant_id, ...row }): Booking => ({ participantId: participant_id, ...row }));

const awaySchema = z
  .object({ participant_id: z.uuid(), name: z.string() })
  .transform((row) => ({ participantId: row.participant_id, name: row.name }));

/** Whether a booking on a class is one on its session at some moment. */
const ON_CLASS =
  'bookings.since <= :startsAt and (bookings.until is null or :startsAt < bookings.until)';

/** @throws Refusal `not-found` */
export async function peopleOfSession(
  db: Db,
  scope: Scope,
  sessionId: string,
): Promise<SessionPeople> {
  const session = await getSession(db, scope, sessionId);
  const [coming, away] = await Promise.all([
    db('session_people as p')
      .join('participants', 'participants.id', 'p.participant_id')
      .leftJoin('bookings', (join) =>
        join
          .on('bookings.participant_id', 'p.participant_id')
          .andOn('bookings.class_id', db.raw('?', [session.classId]))
          .andOn(db.raw(ON_CLASS, { startsAt: new Date(session.startsAt) })),
      )
      .where({ 'p.studio_id': scope.studioId, 'p.session_id': sessionId })
      .orderBy(['p.at', 'p.participant_id'])
      .select(
        'p.participant_id',
        'participants.name',
        'p.at',
        'p.booked',
        db.raw('bookings.class_id is not null as always'),
      ),
    db('session_bookings as own')
      .join('participants', 'participants.id', 'own.participant_id')
      .where({ 'own.studio_id': scope.studioId, 'own.session_id': sessionId, coming: false })
      .orderByRaw('lower(participants.name)')
      .select('own.participant_id', 'participants.name'),
  ]);
  return { coming: z.array(bookingSchema).parse(coming), away: z.array(awaySchema).parse(away) };
}

/** Somebody on the list of a session. */
export interface OnSession {
  sessionId: string;
  participantId: string;
}

const onSession = (row: { session_id: string; participant_id: string }): OnSession => ({
  sessionId: row.session_id,
  participantId: row.participant_id,
});

/** Somebody who is booked on a session, or waits for room in it. */
export interface Awaited extends OnSession {
  booked: boolean;
}

/** Everybody who is booked on some sessions or waits. */
export async function awaitedIn(
  db: Db,
  { studioId }: Scope,
  sessionIds: readonly string[],
): Promise<Awaited[]> {
  const rows = await db('session_people')
    .where({ studio_id: studioId })
    .whereIn('session_id', [...sessionIds])
    .select('session_id', 'participant_id', 'booked');
  return rows.map((row) => ({ ...onSession(row), booked: row.booked }));
}

/** Who said that they cannot come to some sessions. */
export async function saidNoTo(
  db: Db,
  { studioId }: Scope,
  sessionIds: readonly string[],
): Promise<OnSession[]> {
  const rows = await db('session_bookings')
    .where({ studio_id: studioId, coming: false })
    .whereIn('session_id', [...sessionIds])
    .select('session_id', 'participant_id');
  return rows.map(onSession);
}

/** Tells one place on one list from all others. */
export const placeOf = ({ sessionId, participantId }: OnSession) => `${sessionId} ${participantId}`;

/** Whose place in some sessions is another than before: who has room now, and who has none any more. */
export interface PlacesMoved {
  up: OnSession[];
  down: OnSession[];
}

export function placesMoved(before: readonly Awaited[], after: readonly Awaited[]): PlacesMoved {
  const had = new Map(before.map((one) => [placeOf(one), one.booked]));
  return {
    up: after.filter((one) => one.booked && had.get(placeOf(one)) === false),
    down: after.filter((one) => !one.booked && had.get(placeOf(one)) === true),
  };
}

/**
 * Does something, in a transaction, by which others may have another place in some sessions. One after the other, so
 * that each sees whom the one before has moved.
 */
export async function movingPlaces(
  db: Db,
  scope: Scope,
  { sessionIds, work }: { sessionIds: readonly string[]; work: () => Promise<void> },
): Promise<PlacesMoved> {
  await holdSessions(db, scope, sessionIds);
  const before = await awaitedIn(db, scope, sessionIds);
  await work();
  return placesMoved(before, await awaitedIn(db, scope, sessionIds));
}

/** Sessions to come with room for so many in which some people are expected: their going makes room there. */
export async function limitedSessionsOf(
  db: Db,
  { studioId }: Scope,
  { participantIds, now }: { participantIds: readonly string[]; now: number },
): Promise<string[]> {
  return db('session_wishes as w')
    .join('sessions as s', 's.id', 'w.session_id')
    .where({ 'w.studio_id': studioId, 's.status': 'planned' })
    .whereIn('w.participant_id', [...participantIds])
    .where('s.starts_at', '>', new Date(now))
    .whereNotNull('w.room_for')
    .distinct()
    .pluck('w.session_id');
}

/** How many people are booked on sessions to come, or wait for them. @param now epoch ms */
export async function awaitedToCome(db: Db, { studioId }: Scope, now: number): Promise<number> {
  const { n } = await db('session_wishes as w')
    .join('sessions as s', 's.id', 'w.session_id')
    .where({ 'w.studio_id': studioId, 's.status': 'planned' })
    .where('s.starts_at', '>', new Date(now))
    .first(db.raw('count(distinct w.participant_id)::int as n'));
  return n;
}

/** In which sessions to come some people wait for room. */
export async function waitingOf(
  db: Db,
  scope: Scope,
  of: { participantIds: readonly string[]; now: number },
): Promise<OnSession[]> {
  const theirs = new Set(of.participantIds);
  const all = await awaitedIn(db, scope, await limitedSessionsOf(db, scope, of));
  return all.filter((one) => !one.booked && theirs.has(one.participantId));
}

export interface Coming {
  sessionId: string;
  participantId: string;
  coming: boolean;
  /** Epoch ms. */
  now: number;
}

/**
 * Books somebody on one session, or says that they cannot come. Whoever comes after all is at the end of the
 * line, so nobody loses the room they have.
 * @returns who moves up
 * @throws Refusal `not-found`, `cancelled`, `begun-already`, `too-many-booked`
 */
export async function setComing(
  db: Db,
  scope: Scope,
  { sessionId, participantId, coming, now }: Coming,
): Promise<OnSession[]> {
  const { studioId } = scope;
  return db.transaction(async (trx) => {
    await holdSessions(trx, scope, [sessionId]);
    const session = await getSession(trx, scope, sessionId);
    mayBook(session);
    const person = { id: participantId, studio_id: studioId };
    found(await trx('participants').where(person).first('id'), 'person');
    const of = { studio_id: studioId, session_id: sessionId, participant_id: participantId };
    const isComing = (await trx('session_wishes').where(of).first('at')) !== undefined;
    if (coming === isComing) return [];
    if (coming && session.booked + session.waiting >= MOST_BOOKED) {
      throw new Refusal('too-many-booked', String(MOST_BOOKED));
    }
    const { up } = await movingPlaces(trx, scope, {
      sessionIds: [sessionId],
      work: async () => {
        await trx('session_bookings').where(of).delete();
        // Who is booked on the class comes by that, and has nothing but another place in line.
        const byClass = coming && (await trx('session_wishes').where(of).first('at')) !== undefined;
        await trx('session_bookings').insert({
          ...of,
          coming: byClass ? null : coming,
          at: new Date(now),
        });
      },
    });
    return up;
  });
}

function mayBook(session: Session): void {
  if (session.status === 'cancelled') throw new Refusal('cancelled');
  if (session.status === 'held' || session.runStartedAt !== null) {
    throw new Refusal('begun-already');
  }
}
