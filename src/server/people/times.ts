import { z } from 'zod';
import { countWords, wouldEnd } from '@/core/streak';
import { type MarkSaid, marksOf } from '@/core/today';
import type { Db } from '../db';
import { maybeEpochMs } from '../rows';
import type { Scope } from '../scope';
import type { Times } from './histories';
import type { ClassStreak } from './streaks';

const rowSchema = z.object({
  participant_id: z.uuid(),
  times: z.number(),
  first_at: maybeEpochMs,
  last_at: maybeEpochMs,
  before_at: maybeEpochMs,
});

/** How often some people, or all, came to held sessions. */
export async function timesBy(
  db: Db,
  { studioId }: Scope,
  participantIds?: readonly string[],
): Promise<Map<string, Times>> {
  const query = db('attendance as a')
    .join('sessions as s', 's.id', 'a.session_id')
    .where({ 'a.studio_id': studioId, 's.status': 'held' })
    .whereNotNull('a.arrived_at')
    .groupBy('a.participant_id')
    .select(
      'a.participant_id',
      db.raw('count(*)::int as times'),
      db.raw('min(s.starts_at) as first_at'),
      db.raw('max(s.starts_at) as last_at'),
      db.raw('(array_agg(s.starts_at order by s.starts_at desc))[2] as before_at'),
    );
  if (participantIds) query.whereIn('a.participant_id', [...participantIds]);
  return new Map(
    z
      .array(rowSchema)
      .parse(await query)
      .map((r) => {
        const { times, first_at: firstAt, last_at: lastAt, before_at: beforeAt } = r;
        return [r.participant_id, { times, firstAt, lastAt, beforeAt }];
      }),
  );
}

const NEVER: Times = { times: 0, firstAt: null, lastAt: null, beforeAt: null };

/** The marks of somebody by their longest running streak. @param now epoch ms */
export function personMarks(
  times: Times | undefined,
  { best, greet, now }: { best: ClassStreak | null; greet: boolean; now: number },
): MarkSaid[] {
  const streak = best && {
    count: best.streak.current,
    words: countWords(best.streak),
    ending: wouldEnd(best.streak),
  };
  return marksOf({ ...(times ?? NEVER), streak, greet }, now);
}
