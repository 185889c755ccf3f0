import { solver } from '@testing/solver';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Program, solve, toLp } from '.';

const holds = (program: Program, taken: readonly number[]): boolean =>
  program.rows.every((row) => {
    const sum = row.of.reduce((s, [i, c]) => s + (taken.includes(i) ? c : 0), 0);
    if (row.slackCost !== undefined) return true;
    return sum >= (row.least ?? -1e9) - 1e-6 && sum <= (row.most ?? 1e9) + 1e-6;
  });

/** What a choice costs with the slack it has to pay for. */
const price = (program: Program, taken: readonly number[]): number =>
  taken.reduce((s, i) => s + (program.costs[i] ?? 0), 0) +
  program.rows.reduce((s, row) => {
    const sum = row.of.reduce((n, [i, c]) => n + (taken.includes(i) ? c : 0), 0);
    const missed = Math.max(0, (row.least ?? sum) - sum, sum - (row.most ?? sum));
    return s + (row.slackCost ?? 0) * missed;
  }, 0);

describe('an integer program', () => {
  it('is written in a format that the solver reads, with long sums over several lines', () => {
    const costs = Array.from({ length: 40 }, (_, i) => i - 20);
    const all = costs.map((_, i): [number, number] => [i, 1.5]);
    const lp = toLp({ costs, rows: [{ of: all, least: 3, most: 9 }] });
    expect(Math.max(...lp.split('\n').map((l) => l.length))).toBeLessThan(255);
    expect(solve({ costs, rows: [{ of: all, least: 3, most: 9 }] }, solver).taken).toHaveLength(6);
  });

  it('that nothing solves is infeasible', () => {
    const rows = [{ of: [[0, 1]] as [number, number][], least: 2 }];
    expect(solve({ costs: [1], rows }, solver)).toEqual({ status: 'infeasible', taken: [] });
  });

  it('is solved as well as by trying everything, slack and all', () => {
    const row = (n: number) =>
      fc.record({
        of: fc.uniqueArray(
          fc.tuple(fc.integer({ min: 0, max: n - 1 }), fc.integer({ min: -4, max: 4 })),
          { selector: ([i]) => i, minLength: 1 },
        ),
        least: fc.option(fc.integer({ min: -3, max: 4 }), { nil: undefined }),
        most: fc.option(fc.integer({ min: 4, max: 8 }), { nil: undefined }),
        slackCost: fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined }),
      });
    const program = fc.integer({ min: 1, max: 6 }).chain((n) =>
      fc.record({
        costs: fc.array(fc.integer({ min: -9, max: 9 }), { minLength: n, maxLength: n }),
        rows: fc.array(row(n), { maxLength: 4 }),
      }),
    );
    fc.assert(
      fc.property(program, (p) => {
        const subsets = Array.from({ length: 2 ** p.costs.length }, (_, bits) =>
          p.costs.flatMap((_, i) => (bits & (1 << i) ? [i] : [])),
        ).filter((taken) => holds(p, taken));
        const answer = solve(p, solver);
        if (subsets.length === 0) {
          expect(answer.status).toBe('infeasible');
          return;
        }
        expect(answer.status).toBe('optimal');
        expect(holds(p, answer.taken)).toBe(true);
        const best = Math.min(...subsets.map((taken) => price(p, taken)));
        expect(price(p, answer.taken)).toBeCloseTo(best, 5);
      }),
      { numRuns: 150 },
    );
  });
});
