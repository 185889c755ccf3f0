/** The small connecting words of a language that the score puts between the teacher's own cues. */
export interface Phrases {
  /** Said before the first round: how much is to come. */
  dose: (dose: import('../move').Dose, rounds: number) => string;
  round: (round: number) => string;
  lastRound: string;
  firstSide: Record<'each' | 'directions', string>;
  otherSide: Record<'each' | 'directions', string>;
  breatheIn: string;
  breatheOut: string;
  /** Number words for counts; falls back to digits past the end. */
  numbers: readonly string[];
}

export const countWord = (phrases: Phrases, n: number): string => phrases.numbers[n] ?? String(n);
