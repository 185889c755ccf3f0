import { FEATURES, LANGUAGE_DATA, type Language } from '../language';
import type { SpeechMeter } from './speech';

/** Speaking rate the coefficients were fitted at, in words a minute. */
const REFERENCE_RATE = 150;

/** Written letters a spoken syllable of a number stands for. */
const LETTERS_PER_NUMBER_SYLLABLE = 3;

const VOWELS = /[aeiouyäöüáéèêíóú]+/g;

/** Syllables of a written word, by its vowel groups less those that are not heard. */
export function syllables(written: string, language: Language): number {
  const { word, silent } = LANGUAGE_DATA[language].speech.heard(written.toLowerCase());
  return Math.max(1, (word.match(VOWELS)?.length ?? 0) - silent);
}

function numberSyllables(digits: string, language: Language): number {
  const value = Number(digits);
  const last = LANGUAGE_DATA[language].speech.digits[value % 10] ?? 1;
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
  const coefficients = LANGUAGE_DATA[language].speech.ms;
  const ms = FEATURES.reduce((sum, name, i) => sum + coefficients[name] * (features[i] ?? 0), 0);
  return Math.round((ms * REFERENCE_RATE) / wordsPerMinute);
};
