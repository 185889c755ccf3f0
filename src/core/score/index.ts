export { type AmountAsked, type AmountWords, amountOf } from './amount';
export {
  type Book,
  type CompileOptions,
  compile,
} from './compile';
export { type Count, counts, thinning } from './counting';
export { CUE_GAP_MS } from './lane';
export { keptFreeMs, type LengthOptions, lengthOf, turnLength } from './length';
export { samePlace, stepAt } from './place';
export { type Recompiled, type RecompileOptions, recompiler } from './recompile';
export { cueSchema, scoreSchema } from './schema';
export * from './score';
export { type SegmentRun, type SegmentSpan, segmentRuns, segmentSpans } from './spans';
export {
  beyond,
  type InTheMiddle,
  inFull,
  inTheMiddle,
  notLast,
  parseStep,
  printStep,
  printTurn,
  turnOfStep,
} from './step-key';
export { BEAT_MS, COUNT_IN } from './timing';
export {
  doseOn,
  dosesOfTurn,
  meeting,
  performedSides,
  printVariant,
  releaseOf,
  type Turn,
  turns,
  turnsOfBlock,
  type VariantDone,
  variantOf,
  variantsDone,
} from './turns';
export { type MovesMet, readOfTurn, type WordsToRead } from './wording';
