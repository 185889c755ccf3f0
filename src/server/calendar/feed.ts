import { createHash, randomBytes } from 'node:crypto';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import type { Language } from '@/core/language';
import { letterWords } from '@/core/letters';
import { languageSchema } from '@/core/move';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { type Session, sessionsBetween } from '../sessions/sessions';

/** Sessions as a feed that any calendar program reads (RFC 5545): those of a teacher, or of somebody booked. */

const DAY_MS = 86_400_000;
const BACK_MS = 60 * DAY_MS;
const AHEAD_MS = 400 * DAY_MS;

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/** Whose feed it is. */
export interface FeedOwner extends Scope {
  of: 'teachers' | 'participants';
  id: string;
}

const rowOf = (db: Db, { of, id, studioId }: FeedOwner) =>
  db(of).where({ id, studio_id: studioId });

/**
 * Makes a new address for somebody's feed; the one before no longer works. Only its hash is kept.
 * @throws Refusal `not-found`
 */
export async function makeFeed(db: Db, owner: FeedOwner): Promise<string> {
  found(await rowOf(db, owner).first('id'), 'person');
  const token = randomBytes(24).toString('base64url');
  await rowOf(db, owner).update({ feed_hash: fingerprint(token) });
  return token;
}

/** Revokes the address of somebody's feed. */
export async function dropFeed(db: Db, owner: FeedOwner): Promise<void> {
  await rowOf(db, owner).update({ feed_hash: null });
}

export async function hasFeed(db: Db, owner: FeedOwner): Promise<boolean> {
  const row = await rowOf(db, owner).first('feed_hash');
  return (row?.feed_hash ?? null) !== null;
}

/** A session in a feed. */
interface Entry {
  session: Session;
  /** Where somebody still waits for room. */
  waiting: boolean;
}

/**
 * The feed behind an address, from two months back to a year ahead: what a teacher leads and what nobody is
 * named for, or what somebody is booked on or waits for. Null where the address was revoked. It says nothing
 * of other people.
 */
export async function feedOf(
  db: Db,
  { token, now }: { token: string; now: number },
): Promise<string | null> {
  const hash = fingerprint(token);
  const owner = (await ownerBy(db, 'teachers', hash)) ?? (await ownerBy(db, 'participants', hash));
  if (!owner) return null;
  const { id, of, studioId } = owner;
  const sessions = await sessionsBetween(db, { studioId }, now - BACK_MS, now + AHEAD_MS);
  const entries = of === 'teachers' ? ledBy(id, sessions) : await bookedBy(db, { owner, sessions });
  const calendar = ical({
    name: owner.name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Up Beat', product: 'Up Beat' },
  });
  const { waits } = letterWords(owner.language);
  for (const entry of entries) calendar.createEvent(eventOf(entry, { now, waits }));
  return calendar.toString();
}

async function ownerBy(
  db: Db,
  of: FeedOwner['of'],
  hash: string,
): Promise<(FeedOwner & { name: string; language: Language | null }) | null> {
  // Teachers are spoken to in English.
  const reads = of === 'participants' ? ['language'] : [];
  const row = await db(of)
    .where({ feed_hash: hash })
    .first('id', 'studio_id', 'name', ...reads);
  if (!row) return null;
  const language = languageSchema.nullable().parse(row.language ?? null);
  return { of, id: row.id, studioId: row.studio_id, name: row.name, language };
}

const ledBy = (id: string, sessions: readonly Session[]): Entry[] =>
  sessions
    .filter((s) => s.teacherId === null || s.teacherId === id)
    .map((session) => ({ session, waiting: false }));

async function bookedBy(
  db: Db,
  { owner, sessions }: { owner: FeedOwner; sessions: readonly Session[] },
): Promise<Entry[]> {
  const rows = await db('person_sessions')
    .where({ studio_id: owner.studioId, participant_id: owner.id })
    .select('session_id', 'booked');
  const booked = new Map(rows.map((row) => [row.session_id as string, row.booked as boolean]));
  return sessions.flatMap((session) => {
    const mine = booked.get(session.id);
    return mine === undefined ? [] : [{ session, waiting: !mine }];
  });
}

function eventOf({ session: s, waiting }: Entry, { now, waits }: { now: number; waits: string }) {
  const off = s.status === 'cancelled';
  const says = off ? (s.word ?? s.closed) : waiting && waits;
  return {
    id: `${s.id}@up-beat`,
    stamp: new Date(now),
    start: new Date(s.startsAt),
    end: new Date(s.startsAt + s.slotMs),
    summary: s.className,
    ...(s.place && { location: s.place }),
    ...(s.link && { url: s.link }),
    ...(says && { description: says }),
    status: off
      ? ICalEventStatus.CANCELLED
      : waiting
        ? ICalEventStatus.TENTATIVE
        : ICalEventStatus.CONFIRMED,
  };
}
