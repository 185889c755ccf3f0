import type { LegacyHighs } from 'highs';
import type { Solved, Solver } from '@/core/program';

/** Statuses after which what was found is the best there is (within the gap asked for). */
const DONE = ['Optimal'];
const NEVER = ['Infeasible', 'Primal infeasible or unbounded', 'Bound on objective reached'];

/** HiGHS as a solver of the core. @throws Error where HiGHS cannot read or run the program */
export function solverOn(highs: LegacyHighs): Solver {
  return (lp, { nodes, gap, absoluteGap } = {}) => {
    const solution = highs.solve(lp, {
      output_flag: false,
      // One thread and a fixed seed: the search goes the same way everywhere.
      threads: 1,
      random_seed: 0,
      ...(nodes !== undefined && { mip_max_nodes: nodes }),
      mip_rel_gap: gap ?? 0,
      ...(absoluteGap !== undefined && { mip_abs_gap: absoluteGap }),
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
