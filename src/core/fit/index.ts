export { choicesOf, type FitOptions, LIMITS, type Limit, type Obstacle } from './choices';
export { type Fitted, fitToSlot, TOLERANCE_MS } from './fit';
export { currentWork } from './model';
export {
  type Limits,
  type Program,
  type Row,
  type Solved,
  type Solver,
  solve,
  toLp,
} from './program';
