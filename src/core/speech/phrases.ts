import type { Dose, Release } from '../move';

/** The small connecting words of a language that the score puts between the teacher's own cues. */
export interface Phrases {
  /** Said before the first round: how much is to come. */
  dose: (dose: Dose, rounds: number) => string;
  round: (round: number) => string;
  lastRound: string;
  firstSide: Record<'each' | 'directions', string>;
  otherSide: Record<'each' | 'directions', string>;
  release: Record<Exclude<Release, 'none'>, string>;
  /** How a neck is stroked out: one hand, never both at once beside the throat. */
  strokeNeck: string;
  /** Said before a round that the teacher adds while leading. */
  oneMore: string;
  /** Said before a side that gets what the other had more. */
  evenOut: Record<'left' | 'right' | 'one' | 'other', string>;
  questions: string;
  breatheIn: string;
  breatheOut: string;
  /** Number words for counts; falls back to digits past the end. */
  numbers: readonly string[];
}

export const countWord = (phrases: Phrases, n: number): string => phrases.numbers[n] ?? String(n);
