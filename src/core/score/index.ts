export {
  BEAT_MS,
  type Book,
  COUNT_IN,
  type CompileOptions,
  compile,
  UnknownMoveError,
} from './compile';
export { type Count, counts, thinning } from './counting';
export { CUE_GAP_MS } from './lane';
export { lengthOf } from './length';
export * from './score';
export { type SegmentSpan, segmentSpans } from './spans';
export { performedSides, roundsOf, type Turn, turns } from './turns';
