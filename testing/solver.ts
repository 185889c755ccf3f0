import highsLoader from 'highs';
import { solverOn } from '@/browser/solver/solver';
import type { Solver } from '@/core/program';

/** The solver as the worker runs it, for tests and scripts. */
export const solver: Solver = solverOn(await highsLoader());
