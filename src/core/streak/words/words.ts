import type { Excuse, Per } from '../counted';
import type { Look } from '../looks';
import type { Because } from '../units';

/** Why less was asked in a unit than its rule has. */
export type LessBecause = 'no-whole-week' | 'days-off' | 'no-more-on';

/** What is said of streaks in one language. Days come as they are shown in it. */
export interface StreakWords {
  /** How much is kept, of a rule that forgives some between them or of one that forgives none. */
  count: (n: number, per: Per, forgives: boolean) => string;
  span: (first: string, last: string) => string;
  /** Why a unit was kept, was missed, or neither counts nor breaks. */
  because: Record<Exclude<Because, 'holiday' | 'too-short' | 'enough' | 'too-few'>, string>;
  /** @param name may be empty */
  holiday: (name: string) => string;
  cancelledFor: (why: string) => string;
  /** Both in percent. */
  tooShort: (share: number, asked: number) => string;
  soFar: (got: number, need: number) => string;
  done: (got: number) => string;
  /** What follows `done`. */
  asked: (need: number) => string;
  askedLess: (need: number, why: LessBecause) => string;
  /** What follows from a unit for the streak, as a sentence. */
  kept: (count: number) => string;
  forgiven: (count: number) => string;
  ended: string;

  /** What a rule asks. */
  asks: (per: Per, times: number) => string;
  mayMiss: (misses: number, among: number, per: Per) => string;
  /** How long a stage lasts: what follows `mayMiss`. */
  forDays: (days: number) => string;
  thereafter: string;
  practice: Record<'counts' | 'doesNot', string>;
  leastShare: (percent: number) => string;
  excuses: (those: readonly Excuse[]) => string;
  freezes: (days: number, among: number) => string;

  looks: Record<Look, string>;
  nothingYet: string;
  /** Where somebody is in a programme. */
  programme: Record<'left' | 'over' | 'toBegin', string> & {
    week: (week: number, of: number) => string;
  };
}
