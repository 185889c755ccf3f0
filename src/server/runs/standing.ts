import { z } from 'zod';
import { isUnmarked } from '@/core/attendance';
import { dayOf } from '@/core/formats';
import { leftStanding, position, type Standing } from '@/core/run';
import type { Db } from '../db';
import { announce } from '../live/hub';
import { epochMs } from '../rows';
import type { Scope } from '../scope';
import { roll } from '../sessions/register';
import { planSession, sessionsBetween } from '../sessions/sessions';
import { runOfSession } from './prepare';

/** A session that was begun and never closed. */
export interface LeftSession extends Standing {
  sessionId: string;
  classId: string;
  className: string;
  /** On the calendar, epoch ms. */
  startsAt: number;
  /** How many are booked and have no mark yet. */
  unmarked: number;
}

/** Most that are looked for at once, the newest first: nobody leaves more behind. */
export const MOST_LEFT = 20;

const rowSchema = z.object({
  id: z.uuid(),
  class_id: z.uuid(),
  class_name: z.string(),
  starts_at: epochMs,
});

/** Sessions that were begun and left standing, the newest first. @param now epoch ms */
export async function sessionsLeft(
  db: Db,
  scope: Scope,
  { now, classId }: { now: number; classId?: string },
): Promise<LeftSession[]> {
  const rows = await db('sessions')
    .join('classes', 'classes.id', 'sessions.class_id')
    .join('runs', 'runs.session_id', 'sessions.id')
    .where({ 'sessions.studio_id': scope.studioId, 'sessions.status': 'planned' })
    .modify((query) => classId && query.where('sessions.class_id', classId))
    .whereNotNull('runs.started_at')
    .orderBy('runs.started_at', 'desc')
    .limit(MOST_LEFT)
    .select(
      'sessions.id',
      'sessions.class_id',
      db.raw("classes.plan->>'name' as class_name"),
      'sessions.starts_at',
    );
  const left: LeftSession[] = [];
  for (const row of z.array(rowSchema).parse(rows)) {
    const run = await runOfSession(db, scope, row.id);
    const stands = run && leftStanding(position(run.score, run.events, now, run.easier));
    if (!stands) continue;
    const { id, class_id, class_name, starts_at } = row;
    const of = { sessionId: id, classId: class_id, className: class_name, startsAt: starts_at };
    const unmarked = (await roll(db, scope, id)).filter(isUnmarked).length;
    left.push({ ...of, ...stands, unmarked });
  }
  return left;
}

/**
 * Lets whatever device bends a session next lead it, since the one that led is gone.
 * Nothing happens where it was never begun.
 */
export async function freeLead(db: Db, scope: Scope, sessionId: string): Promise<void> {
  await db.transaction(async (trx) => {
    const rows = await trx('runs')
      .where({ session_id: sessionId, studio_id: scope.studioId })
      .update({ leader: null })
      .returning('id');
    for (const { id } of rows) await announce(trx, id);
  });
}

/**
 * The session of a class that is led now: the one that is being led today in the studio's time zone; or one
 * that was left standing, for the teacher to say first what becomes of it; or what is planned for today; or
 * else a new one that starts now.
 * @throws Refusal `not-found` where the class is not the studio's
 */
export async function sessionToLead(
  db: Db,
  scope: Scope,
  { classId, timeZone, now }: { classId: string; timeZone: string; now: number },
): Promise<{ id: string; left: boolean }> {
  const { start, end } = dayOf(now, timeZone);
  const [today, left] = await Promise.all([
    sessionsBetween(db, scope, start, end),
    sessionsLeft(db, scope, { now, classId }),
  ]);
  const standing = new Set(left.map((s) => s.sessionId));
  const open = today.filter(
    (s) => s.classId === classId && s.status === 'planned' && !standing.has(s.id),
  );
  const led = open.find((s) => s.runStartedAt !== null);
  if (led) return { id: led.id, left: false };
  if (left[0]) return { id: left[0].sessionId, left: true };
  const id = open[0]?.id ?? (await planSession(db, scope, { classId, startsAt: now, now }));
  return { id, left: false };
}
