export { choicesOf, type FitOptions, LIMITS, type Limit, type Obstacle } from './choices';
export { currentWork, type Fitted, fitToSlot, TOLERANCE_MS } from './fit';
export {
  type Limits,
  type Program,
  type Row,
  type Solved,
  type Solver,
  solve,
  toLp,
} from './program';
