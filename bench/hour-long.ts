import { LIBRARY, LIBRARY_BOOK } from '@library';
import { addSegment, emptyPlan, type Plan, segmentOf } from '@/core/class';
import { lengthOf } from '@/core/score';

const HOUR_MS = 3_600_000;

/** A class of about an hour with at least 300 steps and 1,500 cues: short moves, every rep counted. */
export function hourLong(): Plan {
  let plan = emptyPlan('An hour', 3600);
  plan = { ...plan, rules: { ...plan.rules, counting: 'up' } };
  const exercises = LIBRARY.filter((m) => m.kind === 'exercise');
  for (let n = 0; lengthOf(plan, LIBRARY_BOOK) < HOUR_MS; n++) {
    const move = exercises[n % exercises.length];
    if (!move) break;
    const segment = { ...segmentOf(move, `s${n}`), rounds: 3, releaseSeconds: 4, restSeconds: 2 };
    plan = addSegment(plan, segment, 'work');
  }
  return plan;
}

export const quantile = (sorted: readonly number[], q: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * q))] ?? 0;
