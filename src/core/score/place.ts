import type { Score, Step } from './score';

/** The step that runs at a time, in ms from the start; the last one after the end. */
export function stepAt(score: Score, atMs: number): Step | undefined {
  let low = 0;
  let high = score.steps.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((score.steps[middle]?.startMs ?? 0) <= atMs) low = middle;
    else high = middle - 1;
  }
  return score.steps[low];
}

/**
 * The time in a changed score that stands for a time in the score before: as far into the same step, or
 * the start of the step nearest before it that is still there. Times are ms from the start.
 */
export function samePlace(before: Score, after: Score, atMs: number): number {
  if (before === after) return atMs;
  const now = stepAt(before, atMs);
  const index = now ? before.steps.indexOf(now) : -1;
  const byId = new Map(after.steps.map((step) => [step.id, step]));
  for (let i = index; i >= 0; i--) {
    const step = before.steps[i];
    const same = step && byId.get(step.id);
    if (!step || !same) continue;
    if (i < index) return Math.min(after.totalMs, same.startMs + same.durationMs);
    const share = step.durationMs ? (atMs - step.startMs) / step.durationMs : 0;
    return Math.round(same.startMs + Math.min(1, Math.max(0, share)) * same.durationMs);
  }
  return 0;
}
