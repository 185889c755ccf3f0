import { LIBRARY_BOOK } from '@library';
import { smallPlan } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { resolve } from '../class';
import { compile } from '../score';
import { bandsOf, fillOf } from '.';

it('draws every moment of a class once, kind by kind, and the most worked area strongest', () => {
  fc.assert(
    fc.property(smallPlan(60), (plan) => {
      const score = compile(plan, LIBRARY_BOOK);
      const resolved = resolve(plan, LIBRARY_BOOK);
      const bands = bandsOf(score, resolved);
      // Second by second, what is drawn is what is done.
      const kinds = score.steps.flatMap((step) => {
        const kind = resolved.moves.get(step.moveId)?.kind ?? 'breath';
        return Array.from({ length: step.durationMs / 500 }, () => kind);
      });
      const drawn = bands.flatMap(({ kind, ms }) => Array.from({ length: ms / 500 }, () => kind));
      const total = bands.reduce((sum, band) => sum + band.ms, 0);
      expect(total).toBe(score.totalMs);
      if (score.steps.every((step) => step.durationMs % 500 === 0)) expect(drawn).toEqual(kinds);
      for (const [i, band] of bands.entries()) expect(band.kind).not.toBe(bands[i + 1]?.kind);
      const fill = Object.values(fillOf(score, resolved));
      expect(Math.max(0, ...fill)).toBeLessThanOrEqual(1);
      if (score.totals.workMs > 0 && fill.some((f) => f > 0)) expect(Math.max(...fill)).toBe(1);
    }),
  );
});
