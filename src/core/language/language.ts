/** A pattern of words, and what it means. */
export type Meaning<T> = readonly [words: Words, means: T];
export type Words = Pick<RegExp, 'exec'>;

/**
 * What the words of a cue ask of the body. The library's data are held against these tables, so that a
 * move cannot say what its cautions do not know of; a teacher's own move is read by them as well.
 */
export interface LanguageWords<Asked, Place> {
  /** Where a text is cut into parts that say one thing each: what a "not" belongs to goes no further. */
  clauses: RegExp;
  /** A word that turns what follows it into something that is not done. */
  not: RegExp;
  asks: readonly Meaning<Asked>[];
  /** Places of the face and body by what they are called. */
  places: readonly Meaning<readonly Place[]>[];
  /** A cue in which hands lie on something or move over it. */
  hands: RegExp;
  /** A version that does without the hands; here the "without" is what is meant. */
  handsFree: RegExp;
  /** Hands that are told to be as light as can be. */
  featherLight: RegExp;
  /** A sentence that goes on with what the hands did in the one before. */
  goesOn: RegExp;
  /** What is true of both sides of the face at once. */
  bothSides: RegExp;
  /** A cue that taps or strokes something off; that belongs to the release, which can be left out. */
  releasing: RegExp;
}

/** Words that claim too much, each with a plain way to put it. Common practice among careful teachers. */
export interface LanguageClaims {
  patterns: readonly (readonly [claim: RegExp, instead: string])[];
  /** A word before a claim that turns it into none. */
  denied: RegExp;
}

/** A pattern of what is written, and what is said for it; the text itself comes first, then what is in brackets. */
export type Said = readonly [written: RegExp, said: string | ((...parts: string[]) => string)];

/** How what is not a word is said. */
export interface LanguageSpelling {
  /** The sign between thousands, and that before what is less than one. */
  thousands: '.' | ',';
  decimal: '.' | ',';
  /** What the sign before less than one is called. */
  point: string;
  /** What the sign of a number below zero is called. */
  minus: string;
  /** Times, ranges, fractions, ordinals, units, signs and abbreviations, in this order; numbers come after them. */
  said: readonly Said[];
  /** A letter of an abbreviation, as long as most. */
  letter: string;
}

/** What the length of a spoken text is estimated from. */
export const FEATURES = ['base', 'syllable', 'letter', 'comma', 'sentence'] as const;

export interface LanguageSpeech {
  /** Ms for each feature, fitted to lengths measured from the speech program by scripts/calibrate.ts. */
  ms: Readonly<Record<(typeof FEATURES)[number], number>>;
  /**
   * Words that the speech program says wrongly, and how they are written for it so that they sound right. A
   * list that grows by what is heard.
   */
  respelt: readonly (readonly [written: RegExp, spoken: string])[];
  /**
   * Where a calm voice halts for a moment, since the word that follows must not be missed: a side, or what is never
   * done. It matches what stands before the word, in the middle of a sentence only.
   */
  important: RegExp;
  /** Numbers whose second syllable carries the stress; all others are counted by their first. */
  secondSyllable: readonly string[];
  /** A written word in small letters as it is heard, and how many of its vowel groups are silent. */
  heard: (word: string) => { word: string; silent: 0 | 1 };
}
