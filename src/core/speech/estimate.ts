import type { Language } from '../move';
import type { SpeechMeter } from './speech';

/** Coefficients of the estimate, in ms at the reference rate; fitted to lengths measured from the speech program. */
interface Voice {
  /** The speaking rate the other figures were fitted at, in words a minute. */
  referenceRate: number;
  base: number;
  syllable: number;
  letter: number;
  comma: number;
  sentence: number;
  digitSyllables: readonly number[];
}

const VOICES: Record<Language, Voice> = {
  en: {
    referenceRate: 172,
    base: 170,
    syllable: 35,
    letter: 57,
    comma: 345,
    sentence: 484,
    digitSyllables: [2, 1, 1, 1, 1, 1, 1, 2, 1, 1],
  },
  de: {
    referenceRate: 172,
    base: 120,
    syllable: 130,
    letter: 34,
    comma: 190,
    sentence: 420,
    digitSyllables: [1, 1, 1, 1, 1, 1, 1, 2, 1, 1],
  },
};

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

function numberSyllables(digits: string, voice: Voice): number {
  const value = Number(digits);
  const last = voice.digitSyllables[value % 10] ?? 1;
  if (value < 10) return last;
  if (value < 20) return 2;
  if (value < 100) return 2 + (value % 10 ? last : 0);
  return 3 + numberSyllables(String(value % 100), voice);
}

/**
 * Estimates the spoken length of a text from its syllables, letters, numbers and punctuation.
 * Used while typing, before a measured length is there. Returns whole ms, 0 for a text without words.
 */
export const estimateSpeech: SpeechMeter = (text, language, wordsPerMinute) => {
  const voice = VOICES[language];
  let spoken = 0;
  let letters = 0;
  for (const word of text.match(/\p{L}+|\d+/gu) ?? []) {
    const number = /^\d/.test(word);
    const count = number ? numberSyllables(word, voice) : syllables(word, language);
    spoken += count;
    letters += number ? count * 3 : word.length;
  }
  if (spoken === 0) return 0;
  const commas = text.match(/[,;:](?=\s)/g)?.length ?? 0;
  const sentences = text.match(/[.!?…](?=\s)/g)?.length ?? 0;
  const ms =
    voice.base +
    voice.syllable * spoken +
    voice.letter * letters +
    voice.comma * commas +
    voice.sentence * sentences;
  return Math.round((ms * voice.referenceRate) / wordsPerMinute);
};
