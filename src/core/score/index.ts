export {
  type Book,
  type CompileOptions,
  compile,
  findIn,
  UnknownMoveError,
} from './compile';
export { type Count, counts, thinning } from './counting';
export { CUE_GAP_MS } from './lane';
export { closingMs, type LengthOptions, lengthOf, turnLength } from './length';
export { samePlace, stepAt } from './place';
export * from './score';
export { type SegmentRun, type SegmentSpan, segmentRuns, segmentSpans } from './spans';
export { BEAT_MS, COUNT_IN } from './timing';
export {
  type MoveOf,
  performedSides,
  releaseOf,
  roundsOf,
  type Turn,
  turns,
  turnsOfBlock,
  variantOf,
  version,
} from './turns';
export type { Room } from './wording';
