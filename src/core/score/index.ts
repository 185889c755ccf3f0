export {
  type Book,
  type CompileOptions,
  compile,
  UnknownMoveError,
} from './compile';
export { type Count, counts, thinning } from './counting';
export { CUE_GAP_MS } from './lane';
export { lengthOf } from './length';
export * from './score';
export { type SegmentSpan, segmentSpans } from './spans';
export { BEAT_MS, COUNT_IN } from './timing';
export { performedSides, roundsOf, type Turn, turns } from './turns';
export type { Room } from './wording';
