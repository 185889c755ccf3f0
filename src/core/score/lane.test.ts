import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CUE_GAP_MS, Lane } from './lane';

const cues = fc.array(
  fc.record({
    wish: fc.nat(40_000),
    ms: fc.integer({ min: 1, max: 6000 }),
    notBefore: fc.nat(20_000),
  }),
  { maxLength: 25 },
);

describe('the speaking time of a step', () => {
  it('never lets two cues come closer than the gap, nor one reach the end', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 40_000 }), cues, (length, wanted) => {
        const lane = new Lane(length);
        const taken: [number, number][] = [];
        for (const { wish, ms, notBefore } of wanted) {
          const start = lane.nearest(wish, ms, notBefore);
          if (start === undefined) continue;
          expect(start).toBeGreaterThanOrEqual(notBefore);
          expect(lane.fits(start, ms)).toBe(true);
          lane.take(start, ms);
          taken.push([start, start + ms]);
        }
        taken.sort((a, b) => a[0] - b[0]);
        taken.forEach(([, end], i) => {
          expect((taken[i + 1]?.[0] ?? length) - end).toBeGreaterThanOrEqual(CUE_GAP_MS);
        });
      }),
    );
  });

  it('finds the nearest place that any search would find', () => {
    fc.assert(
      fc.property(cues, fc.nat(9000), fc.integer({ min: 1, max: 2000 }), (before, wish, ms) => {
        const length = 9000;
        const lane = new Lane(length);
        for (const c of before) {
          const start = lane.nearest(c.wish % length, c.ms % 1500 || 1);
          if (start !== undefined) lane.take(start, c.ms % 1500 || 1);
        }
        let best: number | undefined;
        for (let at = 0; at <= length; at++) {
          if (!lane.fits(at, ms)) continue;
          if (best === undefined || Math.abs(at - wish) < Math.abs(best - wish)) best = at;
        }
        const nearest = lane.nearest(wish, ms);
        expect(nearest === undefined).toBe(best === undefined);
        if (nearest !== undefined && best !== undefined) {
          expect(Math.abs(nearest - wish)).toBe(Math.abs(best - wish));
        }
      }),
      { numRuns: 60 },
    );
  });
});
