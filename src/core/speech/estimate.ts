import type { Language } from '../move';
import type { SpeechMeter } from './speech';

/** What the length of a spoken text is estimated from. */
export const FEATURES = ['base', 'syllable', 'letter', 'comma', 'sentence'] as const;

/** Speaking rate the coefficients were fitted at, in words a minute. */
const REFERENCE_RATE = 150;

/** Ms for each feature, fitted to lengths measured from the speech program by scripts/calibrate.ts. */
const COEFFICIENTS: Record<Language, Record<(typeof FEATURES)[number], number>> = {
  en: { base: 172, syllable: 48, letter: 63, comma: 400, sentence: 729 },
  de: { base: 116, syllable: 32, letter: 66, comma: 361, sentence: 717 },
};

const DIGIT_SYLLABLES: Record<Language, readonly number[]> = {
  en: [2, 1, 1, 1, 1, 1, 1, 2, 1, 1],
  de: [1, 1, 1, 1, 1, 1, 1, 2, 1, 1],
};

/** Written letters a spoken syllable of a number stands for. */
const LETTERS_PER_NUMBER_SYLLABLE = 3;

const VOWELS = /[aeiouyäöüáéèêíóú]+/g;

/** First halves of English compounds whose final e stays silent inside the word. */
const COMPOUND = /^(for|sid|som|lin|cheekbon|fac)e(?=[a-z]{3})/;

/** Syllables of a written word, by its vowel groups; a silent final e does not count in English. */
export function syllables(word: string, language: Language): number {
  const lower = language === 'en' ? word.toLowerCase().replace(COMPOUND, '$1') : word.toLowerCase();
  const groups = lower.match(VOWELS)?.length ?? 0;
  const silent =
    language === 'en' &&
    groups > 1 &&
    /[^aeiouy]e(d|s)?$/.test(lower) &&
    !/(le|[td]ed|[sxz]es|ches|shes)$/.test(lower);
  return Math.max(1, groups - (silent ? 1 : 0));
}

function numberSyllables(digits: string, language: Language): number {
  const value = Number(digits);
  const last = DIGIT_SYLLABLES[language][value % 10] ?? 1;
  if (value < 10) return last;
  if (value < 20) return 2;
  if (value < 100) return 2 + (value % 10 ? last : 0);
  return 3 + numberSyllables(String(value % 100), language);
}

/** How much of each feature a text has, in the order of FEATURES; all zero for a text without words. */
export function featuresOf(text: string, language: Language): number[] {
  let spoken = 0;
  let letters = 0;
  for (const word of text.match(/\p{L}+|\d+/gu) ?? []) {
    const number = /^\d/.test(word);
    const count = number ? numberSyllables(word, language) : syllables(word, language);
    spoken += count;
    letters += number ? count * LETTERS_PER_NUMBER_SYLLABLE : word.length;
  }
  if (spoken === 0) return FEATURES.map(() => 0);
  const commas = text.match(/[,;:](?=\s)/g)?.length ?? 0;
  const sentences = text.match(/[.!?…](?=\s)/g)?.length ?? 0;
  return [1, spoken, letters, commas, sentences];
}

/**
 * Estimates the spoken length of a text from its syllables, letters, numbers and punctuation.
 * Used while typing, before a measured length is there. Returns whole ms, 0 for a text without words.
 */
export const estimateSpeech: SpeechMeter = (text, language, wordsPerMinute) => {
  const features = featuresOf(text, language);
  const coefficients = COEFFICIENTS[language];
  const ms = FEATURES.reduce((sum, name, i) => sum + coefficients[name] * (features[i] ?? 0), 0);
  return Math.round((ms * REFERENCE_RATE) / wordsPerMinute);
};
