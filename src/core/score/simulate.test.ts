import { LIBRARY_BOOK } from '@library';
import { anyPlan, RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { compile, lengthOf, type Score } from '.';

/**
 * Plays a score second by second as a clock on the wall would: at every full second it looks which
 * step is on, and it notes how long each was. It knows nothing of how the score was made.
 */
function play(score: Score): { endMs: number; seen: Map<string, number> } {
  const seen = new Map<string, number>();
  let at = 0;
  let index = 0;
  let left = score.steps[0]?.durationMs ?? 0;
  while (index < score.steps.length) {
    let tick = 1000;
    while (tick > 0 && index < score.steps.length) {
      const step = score.steps[index];
      if (!step) break;
      const part = Math.min(tick, left);
      seen.set(step.id, (seen.get(step.id) ?? 0) + part);
      at += part;
      tick -= part;
      left -= part;
      if (left === 0) {
        index++;
        left = score.steps[index]?.durationMs ?? 0;
      }
    }
  }
  return { endMs: at, seen };
}

it('a class played second by second is as long as the closed form says, to the millisecond', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const score = compile(plan, LIBRARY_BOOK);
      const { endMs, seen } = play(score);
      expect(endMs).toBe(lengthOf(plan, LIBRARY_BOOK));
      const wrong = score.steps.filter((s) => seen.get(s.id) !== s.durationMs);
      expect(wrong.map((s) => s.id)).toEqual([]);
    }),
    { numRuns: RUNS },
  );
});
