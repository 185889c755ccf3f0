import highsLoader from 'highs';
import type { Solver } from '@/core/program';
import { solverOn } from './solver';

const wasm = new URL('highs/runtime', import.meta.url).href;
const highs = highsLoader({ locateFile: () => wasm });

/** The solver inside a worker, once it is loaded. */
export const workerSolver = async (): Promise<Solver> => solverOn(await highs);
