import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import { appendEvents, openLog } from '../runs';
import { found, type Scope } from '../scope';
import { type Behind, tellFollowers } from './doors';

/** Who follows a class. A follower is a device; it has a name where somebody gave one, and a person where it came by theirs. */

/** Most followers of one class. */
export const MOST_FOLLOWERS = 600;
/** Most questions of one follower, and of all of a class. */
export const MOST_QUESTIONS = 3;
export const MOST_QUESTIONS_IN_ALL = 60;
/** A follower who was not seen for so long follows no more, in ms. */
export const UNSEEN_MS = 75_000;

/** What a device is known again by. */
export interface Follower extends Scope {
  id: string;
  sessionId: string;
  name: string | null;
}

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

export interface Newcomer {
  name: string | null;
  /** Who it is, where they came by an address of their own. */
  participantId?: string;
}

/**
 * Lets somebody in behind a door. @returns what their device shows from now on
 * @throws Refusal `door-shut`, `too-many-followers`
 */
export async function comeIn(
  db: Db,
  door: Behind,
  { name, participantId }: Newcomer,
  now: number,
): Promise<string> {
  if (door.shut) throw new Refusal('door-shut');
  const token = randomBytes(24).toString('base64url');
  const at = new Date(now);
  const own = { session_id: door.sessionId, studio_id: door.studioId };
  await db.transaction(async (trx) => {
    // One after another, so that no more come in than there is room for.
    const stands = await trx('follow_doors').where(own).forUpdate().first('shut_at');
    if (!stands || stands.shut_at !== null) throw new Refusal('door-shut');
    const [there] = await trx('followers').where(own).whereNull('turned_away_at').count();
    if (Number(there?.count) >= MOST_FOLLOWERS) {
      throw new Refusal('too-many-followers', String(MOST_FOLLOWERS));
    }
    await trx('followers').insert({
      ...own,
      id: randomUUID(),
      token_hash: fingerprint(token),
      name,
      participant_id: participantId ?? null,
      joined_at: at,
      seen_at: at,
    });
  });
  return token;
}

const followerSchema = z
  .object({
    id: z.uuid(),
    studio_id: z.uuid(),
    session_id: z.uuid(),
    name: z.string().nullable(),
    turned_away_at: maybeEpochMs,
  })
  .transform(({ turned_away_at, ...row }) => ({
    id: row.id,
    studioId: row.studio_id,
    sessionId: row.session_id,
    name: row.name,
    turnedAway: turned_away_at !== null,
  }));

/**
 * Whose device this is.
 * @throws Refusal `not-following` for one that nobody knows, or whose class is long over; `turned-away`
 */
export async function followerOf(
  db: Db,
  token: string | undefined,
  now: number,
): Promise<Follower> {
  const row =
    token === undefined
      ? undefined
      : await db('followers')
          .join('follow_doors', 'follow_doors.session_id', 'followers.session_id')
          .where('followers.token_hash', fingerprint(token))
          .where('follow_doors.ends_at', '>', new Date(now))
          .first(
            'followers.id',
            'followers.studio_id',
            'followers.session_id',
            'followers.name',
            'followers.turned_away_at',
          );
  if (!row) throw new Refusal('not-following');
  const { turnedAway, ...follower } = followerSchema.parse(row);
  if (turnedAway) throw new Refusal('turned-away');
  return follower;
}

/** A follower as the teacher sees them. */
export interface Following {
  id: string;
  name: string | null;
  participantId: string | null;
  /** Epoch ms. */
  joinedAt: number;
  /** Their device was heard of a moment ago. */
  there: boolean;
}

const followingSchema = z.object({
  id: z.uuid(),
  name: z.string().nullable(),
  participant_id: z.uuid().nullable(),
  joined_at: epochMs,
  seen_at: epochMs,
});

/** Who came in and was not turned away, the latest first. */
export async function followersOf(
  db: Db,
  { studioId }: Scope,
  sessionId: string,
  now: number,
): Promise<Following[]> {
  const rows = await db('followers')
    .where({ studio_id: studioId, session_id: sessionId, turned_away_at: null })
    .orderBy([{ column: 'joined_at', order: 'desc' }, 'id'])
    .limit(MOST_FOLLOWERS)
    .select('id', 'name', 'participant_id', 'joined_at', 'seen_at');
  return z
    .array(followingSchema)
    .parse(rows)
    .map((row) => ({
      id: row.id,
      name: row.name,
      participantId: row.participant_id,
      joinedAt: row.joined_at,
      there: row.seen_at > now - UNSEEN_MS,
    }));
}

/** Turns a follower away: their device hears nothing more. @throws Refusal `not-found` */
export async function turnAway(
  db: Db,
  scope: Scope,
  { sessionId, followerId, now }: { sessionId: string; followerId: string; now: number },
): Promise<void> {
  const rows = await db('followers')
    .where({ id: followerId, session_id: sessionId, studio_id: scope.studioId })
    .update({ turned_away_at: new Date(now), name: null, participant_id: null })
    .returning('id');
  found(rows[0], 'follower');
  await tellFollowers(db, scope, sessionId, now);
}

/** Somebody leaves by themselves. */
export async function leaveClass(db: Db, token: string): Promise<void> {
  await db('followers')
    .where({ token_hash: fingerprint(token) })
    .delete();
}

/** The devices of these followers were heard of. */
export async function seen(db: Db, ids: readonly string[], now: number): Promise<void> {
  if (ids.length === 0) return;
  await db('followers')
    .whereIn('id', [...ids])
    .update({ seen_at: new Date(now) });
}

export interface Question {
  /** Asked again under the same, it is the question that was asked. */
  id: string;
  question: string;
  withName: boolean;
  now: number;
}

/**
 * A question of a follower, which the teacher finds among those that were parked.
 * @throws Refusal `asked-enough`, `log-full`
 */
export async function askQuestion(
  db: Db,
  follower: Follower,
  { id, question, withName, now }: Question,
): Promise<void> {
  const { id: runId, events } = await openLog(db, follower, follower.sessionId, now);
  if (events.some((event) => event.id === id)) return;
  const of = { session_id: follower.sessionId, studio_id: follower.studioId };
  await db.transaction(async (trx) => {
    await trx('follow_doors').where(of).forUpdate().first('session_id');
    const [asked] = await trx('followers').where(of).sum('asked');
    if (Number(asked?.sum ?? 0) >= MOST_QUESTIONS_IN_ALL) {
      throw new Refusal('asked-enough', String(MOST_QUESTIONS));
    }
    const rows = await trx('followers')
      .where({ id: follower.id })
      .where('asked', '<', MOST_QUESTIONS)
      .increment('asked', 1)
      .returning('id');
    if (rows.length === 0) throw new Refusal('asked-enough', String(MOST_QUESTIONS));
  });
  const from = withName && follower.name ? `${follower.name}: ` : '';
  const note = `${from}${question}`.slice(0, 300);
  await appendEvents(db, follower, {
    runId,
    drafts: [{ id, at: now, type: 'parked', note }],
    now,
  });
}

/** Forgets who followed classes that are long over. @param now epoch ms */
export async function forgetFollowers(db: Db, now: number): Promise<void> {
  await db('follow_doors')
    .where('ends_at', '<', new Date(now - 24 * 3_600_000))
    .delete();
}
