import { LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupSegments, removeSegment, updateSegment } from '@/core/class';
import { compile, samePlace, segmentRuns, stepAt } from '.';

const plan = planOf([
  { move: 'tall-o-cheek-lift' },
  { move: 'smile-pulses' },
  { move: 'pucker-hold' },
]);
const score = compile(plan, LIBRARY_BOOK);
const work = score.steps.filter((s) => s.kind === 'work');

describe('the same place after an edit', () => {
  it('is as far into the same step, however long that is now', () => {
    const after = compile(
      updateSegment(plan, 's1', (s) => ({ ...s, dose: { kind: 'hold', seconds: 60 } })),
      LIBRARY_BOOK,
    );
    const [first] = work;
    if (!first) throw new Error('no work');
    const at = samePlace(score, after, first.startMs + 15_000);
    const same = after.steps.find((s) => s.id === first.id);
    expect(at).toBe((same?.startMs ?? 0) + 30_000);
  });

  it('is the end of what came before where its step is gone', () => {
    const after = compile(removeSegment(plan, 's2'), LIBRARY_BOOK);
    const inside = score.steps.find((s) => s.segmentId === 's2');
    const at = samePlace(score, after, (inside?.startMs ?? 0) + 100);
    expect(stepAt(after, at)?.segmentId).toBe('s3');
  });

  it('is itself where nothing changed, at any time of any class', () => {
    fc.assert(
      fc.property(anyPlan, fc.double({ min: 0, max: 1, noNaN: true }), (any, share) => {
        const before = compile(any, LIBRARY_BOOK);
        const at = Math.round(share * before.totalMs);
        const again = compile(any, LIBRARY_BOOK);
        expect(Math.abs(samePlace(before, again, at) - at)).toBeLessThanOrEqual(1);
        const step = stepAt(before, at);
        if (step && at < before.totalMs) {
          expect(at).toBeGreaterThanOrEqual(step.startMs);
          expect(at).toBeLessThan(step.startMs + step.durationMs);
        }
      }),
      { numRuns: 200 },
    );
  });
});

it('a circuit comes back to a segment as often as it has laps', () => {
  const circuit = compile(groupSegments(plan, ['s1', 's2'], 'circuit'), LIBRARY_BOOK);
  const runs = segmentRuns(circuit);
  expect(runs.map((r) => r.segmentId)).toEqual(['s1', 's2', 's1', 's2', 's1', 's2', 's3']);
  runs.forEach((run, i) => {
    expect(run.startMs).toBe(runs[i - 1]?.endMs ?? 0);
  });
});
