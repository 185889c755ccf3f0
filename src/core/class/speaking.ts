/** How much of a class is said. Which side comes is always said: a wrong side can do harm. */
export const SAY = ['all', 'short', 'names', 'counts'] as const;
export type Say = (typeof SAY)[number];
export const SAY_NAMES: Record<Say, string> = {
  all: 'all of it',
  short: 'in short',
  names: 'names and doses',
  counts: 'nothing but counts',
};

/** How breaths are led. */
export const BREATH_WORDS = ['every', 'thinning', 'tones', 'none'] as const;
export type BreathWords = (typeof BREATH_WORDS)[number];
export const BREATH_WORDS_NAMES: Record<BreathWords, string> = {
  every: 'every breath in words',
  thinning: 'the first two in words, then every third and the last',
  tones: 'soft tones in and out',
  none: 'not led',
};
