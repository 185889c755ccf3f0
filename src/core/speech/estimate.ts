import { FEATURES, LANGUAGE_DATA, type Language, type LanguageSpeech } from '../language';
import { haltsIn, SLOWEST_VOICE, type SpeechMeter, withoutEmoji } from './speech';
import { spelledOut } from './spelled';
import { USUAL_VOICE, type VoiceId } from './voices';

/** Speaking rate the coefficients were fitted at, in words a minute. */
const REFERENCE_RATE = 150;

const VOWELS = /[aeiouyäöüáéèêíóú]+/g;

/** Syllables of a written word, by its vowel groups less those that are not heard. */
export function syllables(written: string, language: Language): number {
  const { word, silent } = LANGUAGE_DATA[language].speech.heard(written.toLowerCase());
  return Math.max(1, (word.match(VOWELS)?.length ?? 0) - silent);
}

/** How much of each feature a text has, in the order of FEATURES; all zero for a text without words. */
export function featuresOf(text: string, language: Language): number[] {
  const heard = spelledOut(withoutEmoji(text), language);
  let spoken = 0;
  let letters = 0;
  for (const word of heard.match(/\p{L}+/gu) ?? []) {
    spoken += syllables(word, language);
    letters += word.length;
  }
  if (spoken === 0) return FEATURES.map(() => 0);
  // A dash between words and a word in brackets or quotes is a short halt, as a comma is.
  const commas = heard.match(/[,;:](?=\s)|\s[-–—](?=\s)|\s[("“„]/g)?.length ?? 0;
  const sentences = heard.match(/[.!?…](?=\s)/g)?.length ?? 0;
  return [1, spoken, letters, commas, sentences];
}

/** How long the usual program halts before a word that must not be missed, in ms (measured). */
const HALT_MS = 225;

/** Ms for each feature, as `LanguageSpeech.ms`, of voices that speak otherwise than the usual one. */
const OWN_PACE: Partial<Record<VoiceId, Partial<Record<Language, LanguageSpeech['ms']>>>> = {
  warm: { en: { base: 597, syllable: 40, letter: 47, comma: 304, sentence: 603 } },
  calm: { en: { base: 491, syllable: 32, letter: 53, comma: 196, sentence: 503 } },
};

/**
 * Estimates the spoken length of a text from its syllables, letters and punctuation, in the voice of each language.
 * Used while typing, before a measured length is there. Returns whole ms, 0 for a text without words.
 */
export const estimateIn =
  (voices: Partial<Record<Language, VoiceId>>): SpeechMeter =>
  (text, language, wordsPerMinute) => {
    const features = featuresOf(text, language);
    const own = OWN_PACE[voices[language] ?? USUAL_VOICE]?.[language];
    const coefficients = own ?? LANGUAGE_DATA[language].speech.ms;
    const said = FEATURES.reduce(
      (sum, name, i) => sum + coefficients[name] * (features[i] ?? 0),
      0,
    );
    const ms = said + (own ? 0 : HALT_MS * haltsIn(text, language));
    return Math.round((ms * REFERENCE_RATE) / Math.max(SLOWEST_VOICE, wordsPerMinute));
  };

/** As `estimateIn`, in the usual voice. */
export const estimateSpeech: SpeechMeter = estimateIn({});
