import { createHash, randomBytes } from 'node:crypto';
import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { sessionsBetween } from '../sessions/sessions';

/** The calendar of a teacher as a feed that any calendar program reads (RFC 5545). */

const DAY_MS = 86_400_000;
const BACK_MS = 60 * DAY_MS;
const AHEAD_MS = 400 * DAY_MS;

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/** Makes a new address for a teacher's feed; the one before no longer works. Only its hash is kept. */
export async function makeFeed(db: Db, { id, studioId }: Scope & { id: string }): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  await db('teachers')
    .where({ id, studio_id: studioId })
    .update({ feed_hash: fingerprint(token) });
  return token;
}

/** Revokes the address of a teacher's feed. */
export async function dropFeed(db: Db, { id, studioId }: Scope & { id: string }): Promise<void> {
  await db('teachers').where({ id, studio_id: studioId }).update({ feed_hash: null });
}

export async function hasFeed(db: Db, { id, studioId }: Scope & { id: string }): Promise<boolean> {
  const row = await db('teachers').where({ id, studio_id: studioId }).first('feed_hash');
  return (row?.feed_hash ?? null) !== null;
}

/**
 * The feed behind an address: what the teacher leads and what nobody is named for, from two months back to
 * a year ahead; null where the address was revoked. It says nothing of the people.
 */
export async function feedOf(
  db: Db,
  { token, now }: { token: string; now: number },
): Promise<string | null> {
  const teacher = await db('teachers')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where({ feed_hash: fingerprint(token) })
    .first('teachers.id', 'teachers.studio_id', 'studios.name');
  if (!teacher) return null;
  const scope = { studioId: teacher.studio_id };
  const sessions = await sessionsBetween(db, scope, now - BACK_MS, now + AHEAD_MS);
  const calendar = ical({
    name: teacher.name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Up Beat', product: 'Up Beat' },
  });
  for (const s of sessions) {
    if (s.teacherId !== null && s.teacherId !== teacher.id) continue;
    const off = s.status === 'cancelled';
    calendar.createEvent({
      id: `${s.id}@up-beat`,
      stamp: new Date(now),
      start: new Date(s.startsAt),
      end: new Date(s.startsAt + s.slotMs),
      summary: s.className,
      ...(s.place && { location: s.place }),
      ...(s.link && { url: s.link }),
      ...(off && (s.word ?? s.closed) && { description: s.word ?? s.closed ?? '' }),
      status: off ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
    });
  }
  return calendar.toString();
}
