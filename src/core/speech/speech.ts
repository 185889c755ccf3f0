import { LANGUAGE_DATA, type Language } from '../language';
import { MOST_EARLY_MS, type Sound, stressedBeatMs } from '../sound';
import { inWords } from './spelled';

/** Length of a text spoken in a language at a rate in words a minute, in whole ms. */
export type SpeechMeter = (text: string, language: Language, wordsPerMinute: number) => number;

/** The speech program speaks no slower than this, in words a minute (measured). */
export const SLOWEST_VOICE = 93;

export type SpeechSource = 'estimated' | 'measured' | 'mixed';

/** What identifies a spoken text; equal keys have equal lengths. */
export interface Utterance {
  text: string;
  language: Language;
  wordsPerMinute: number;
}

export const utteranceKey = ({ text, language, wordsPerMinute }: Utterance): string =>
  `${language}\u0001${wordsPerMinute}\u0001${text}`;

/** What identifies words at whatever rate. */
export const wordsKey = ({ text, language }: Pick<Utterance, 'text' | 'language'>): string =>
  `${language} ${text}`;

const EMOJI =
  /\p{Extended_Pictographic}(?:[\uFE0F\u{1F3FB}-\u{1F3FF}]|\u200D\p{Extended_Pictographic})*/gu;

/** A text without its emoji: they are to be seen, and nobody wants to hear "grinning face" in a class. */
export const withoutEmoji = (text: string): string =>
  text.replace(EMOJI, '').replace(/ {2,}/g, ' ').trim();

/** A text as it is written for the speech program, so that each word sounds right. */
export const asSpoken = (text: string, language: Language): string =>
  LANGUAGE_DATA[language].speech.respelt.reduce(
    (spoken, [written, respelt]) => spoken.replace(written, respelt),
    inWords(withoutEmoji(text), language),
  );

/** A text with a sign wherever a calm voice halts for a moment, before a word that must not be missed. */
export const withHalts = (text: string, language: Language, sign: string): string =>
  text.replace(LANGUAGE_DATA[language].speech.important, (before) => before + sign);

/** How often a calm voice halts in a text before a word that must not be missed. */
export const haltsIn = (text: string, language: Language): number =>
  text.match(LANGUAGE_DATA[language].speech.important)?.length ?? 0;

/** A meter that notes every text it is asked for, so that all of them can be measured at once. */
export function notingMeter(meter: SpeechMeter): { meter: SpeechMeter; asked: Utterance[] } {
  const asked = new Map<string, Utterance>();
  return {
    meter: (text, language, wordsPerMinute) => {
      const utterance = { text, language, wordsPerMinute };
      asked.set(utteranceKey(utterance), utterance);
      return meter(text, language, wordsPerMinute);
    },
    get asked() {
      return [...asked.values()];
    },
  };
}

/** A meter over known lengths, in ms by utterance key; unknown texts go to the fallback. */
export function measuredMeter(
  lengths: ReadonlyMap<string, number>,
  fallback: SpeechMeter,
): { meter: SpeechMeter; source: () => SpeechSource } {
  let known = 0;
  let unknown = 0;
  return {
    meter: (text, language, wordsPerMinute) => {
      const length = lengths.get(utteranceKey({ text, language, wordsPerMinute }));
      if (length === undefined) {
        unknown++;
        return fallback(text, language, wordsPerMinute);
      }
      known++;
      return length;
    },
    source: () => (unknown === 0 ? 'measured' : known === 0 ? 'estimated' : 'mixed'),
  };
}

/** A meter that measures each text once, for whoever compiles the same class again and again. */
export function rememberingMeter(meter: SpeechMeter): SpeechMeter {
  const known = new Map<string, Map<string, number>>();
  return (text, language, wordsPerMinute) => {
    const voice = `${language} ${wordsPerMinute}`;
    const lengths = known.get(voice) ?? new Map<string, number>();
    known.set(voice, lengths);
    const length = lengths.get(text) ?? meter(text, language, wordsPerMinute);
    lengths.set(text, length);
    return length;
  };
}

/** How long before its beat a spoken count begins, in whole ms, so that people hear it on the beat. */
export const earlyMs = (sound: Sound, { text, language }: Pick<Utterance, 'text' | 'language'>) =>
  Math.min(
    MOST_EARLY_MS,
    stressedBeatMs(sound, LANGUAGE_DATA[language].speech.secondSyllable.includes(text) ? 1 : 0),
  );
