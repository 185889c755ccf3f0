export { choicesOf, type FitOptions, LIMITS, type Limit, type Obstacle } from './choices';
export { type Fitted, fitToSlot, TOLERANCE_MS } from './fit';
export { currentWork } from './model';
