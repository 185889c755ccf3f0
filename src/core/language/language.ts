/** A pattern of words, and what it means. */
export type Meaning<T> = readonly [words: RegExp, means: T];

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
  /** A cue that taps or strokes something off; that belongs to the release, which can be left out. */
  releasing: RegExp;
}

/** Words that claim too much, each with a plain substitute. Common practice among careful teachers. */
export interface LanguageClaims {
  patterns: readonly (readonly [claim: RegExp, instead: string])[];
  /** The substitute in the form the sentence needs: “burns fat” becomes “wakes the muscle”. */
  fitting: (claim: string, instead: string) => string;
}

/** What the length of a spoken text is estimated from. */
export const FEATURES = ['base', 'syllable', 'letter', 'comma', 'sentence'] as const;

export interface LanguageSpeech {
  /** Ms for each feature, fitted to lengths measured from the speech program by scripts/calibrate.ts. */
  ms: Readonly<Record<(typeof FEATURES)[number], number>>;
  /** Syllables of the digits from zero to nine. */
  digits: readonly number[];
  /** A written word in small letters as it is heard, and how many of its vowel groups are silent. */
  heard: (word: string) => { word: string; silent: 0 | 1 };
}
