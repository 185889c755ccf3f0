import { LIBRARY_BOOK } from '@library';
import { anyPlan, RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { resolve } from '@/core/class';
import { compile, isOnlySaid, parseStep, printStep, turnOfStep, turns } from '.';

it('reads every key that a score has, and writes it the same again', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const keys = new Set(turns(resolve(plan, LIBRARY_BOOK)).map((t) => t.key));
      for (const { id, segmentId, round } of compile(plan, LIBRARY_BOOK).steps) {
        const key = parseStep(id);
        if (!key) {
          expect(isOnlySaid(id)).toBe(true);
          continue;
        }
        expect(key.turn).toMatchObject({ segmentId, round });
        expect(printStep(key)).toBe(id);
        expect(keys).toContain(turnOfStep(id));
      }
    }),
    { numRuns: RUNS },
  );
});

it('keeps what a bend has added to a key', () => {
  const key = parseStep('s1.2r.work.right~easier');
  expect(key).toEqual({
    turn: { segmentId: 's1', round: 2, onTheRight: true },
    part: 'work.right~easier',
  });
  expect(key && printStep({ ...key, turn: { ...key.turn, round: 3 } })).toBe(
    's1.3r.work.right~easier',
  );
  expect(parseStep('questions')).toBeNull();
});
