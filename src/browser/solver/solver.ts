import type { LegacyHighs } from 'highs';
import type { Solved, Solver } from '@/core/fit';

/** Statuses after which what was found is the best there is (within the gap asked for). */
const DONE = ['Optimal'];
const NEVER = ['Infeasible', 'Primal infeasible or unbounded', 'Bound on objective reached'];

/** HiGHS as a solver of the core. @throws Error where HiGHS cannot read or run the program */
export function solverOn(highs: LegacyHighs): Solver {
  return (lp, { seconds, gap } = {}) => {
    const solution = highs.solve(lp, {
      output_flag: false,
      ...(seconds !== undefined && { time_limit: seconds }),
      mip_rel_gap: gap ?? 0,
    });
    const values = new Map<string, number>();
    for (const [name, column] of Object.entries(solution.Columns)) {
      if ('Primal' in column && typeof column.Primal === 'number') values.set(name, column.Primal);
    }
    const status: Solved['status'] = DONE.includes(solution.Status)
      ? 'optimal'
      : NEVER.includes(solution.Status)
        ? 'infeasible'
        : 'stopped';
    return { status, values };
  };
}
