import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LOOKS, type Look } from '@/core/streak';
import { arcPath, linePieces, placesOf } from './shape';

describe('the beat line', () => {
  it('is broken at what was cancelled, and nowhere else', () => {
    const looks = fc.array(fc.constantFrom<Look>(...LOOKS), { maxLength: 30 });
    fc.assert(
      fc.property(looks, fc.boolean(), (all, large) => {
        const { xs, width } = placesOf(all.length, large);
        const pieces = linePieces(all, xs, width);
        const on = (x: number) => pieces.some(([from, to]) => from <= x && x <= to);
        all.forEach((look, i) => {
          const x = xs[i] ?? 0;
          expect(x).toBeGreaterThan(0);
          expect(x).toBeLessThan(width);
          expect(on(x)).toBe(look !== 'off');
        });
      }),
    );
  });

  it('has arcs that stay within its height, however long', () => {
    for (const [large, y] of [
      [false, 26],
      [true, 36],
    ] as const) {
      const { xs } = placesOf(60, large);
      for (const to of [1, 5, 20, 59]) {
        const [, top, middle] =
          /^M\S+ (\S+)Q\S+ (\S+) /.exec(arcPath({ from: 0, to, now: true }, { xs, y })) ?? [];
        // The highest point of the curve lies half way between its ends and its middle point.
        expect((Number(top) + Number(middle)) / 2).toBeGreaterThanOrEqual(2);
      }
    }
  });
});
