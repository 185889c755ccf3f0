import { z } from 'zod';
import { LANGUAGES, type Language } from '../language';
import { estimateSpeech } from './estimate';
import { type SaidWord, sayingIn } from './said-words';
import { type Utterance, withoutEmoji } from './speech';
import { inWords } from './spelled';
import { type DeviceVoices, deviceVoiceSchema } from './voices';

/**
 * Voices of the device that leads a class. Nobody but that device can hear them, so their lengths are measured there,
 * from the moment they begin to the moment they end, and kept for the next time.
 */

/** Shorter is no speech: a device that tells so does not tell how long it speaks. */
const LEAST_MS = 60;
/** No cue is longer. */
const MOST_MS = 60_000;
/** So many times as fast or as slow as expected is a fault of the device. */
const MOST_APART = 6;
/** What so few measurements say of a voice's pace is not yet believed. */
const LEAST_MEASURED = 3;

/** A text as a device said it, and how long it took. */
export const measuredSchema = z.object({
  text: z.string().min(1).max(1000),
  language: z.enum(LANGUAGES),
  wordsPerMinute: z.number().int().min(80).max(260),
  /** In whole ms. */
  ms: z.number().int().min(LEAST_MS).max(MOST_MS),
});
export type Measured = z.infer<typeof measuredSchema>;

/** Most lengths that are kept for a teacher; the oldest go. */
export const MOST_DEVICE_LENGTHS = 5000;
/** Most that are told at once. */
export const MOST_TOLD_AT_ONCE = 100;

export const measuredLengthsSchema = z.object({
  voice: deviceVoiceSchema,
  measured: z.array(measuredSchema).min(1).max(MOST_TOLD_AT_ONCE),
});

/** A text as it is given to a device: in the studio's own words, with numbers and signs as they are heard. */
export function saidByDevice(
  words: readonly SaidWord[],
): (text: string, language: Language) => string {
  const as = sayingIn(words);
  return (text, language) => inWords(withoutEmoji(as(text, language)), language);
}

/** What voices of a device say in a class, and how. */
export interface DeviceSays {
  voices: DeviceVoices;
  /** How the studio's words are said. */
  words: readonly SaidWord[];
  /** What recordings say instead, by `wordsKey`. */
  recorded: readonly string[];
}

/** Whether a device can really have taken so long over a text, in ms. */
export function isLength({ text, language, wordsPerMinute }: Utterance, ms: number): boolean {
  const expected = Math.max(300, estimateSpeech(text, language, wordsPerMinute));
  return (
    ms >= Math.max(LEAST_MS, expected / MOST_APART) &&
    ms <= Math.min(MOST_MS, expected * MOST_APART)
  );
}

/**
 * How many times as long as it is estimated a voice takes, from what was measured of it: the middle one, so that a
 * single odd measurement changes nothing. 1 where too little was measured.
 */
export function paceOf(measured: readonly Measured[]): number {
  const times = measured
    .flatMap(({ text, language, wordsPerMinute, ms }) => {
      const expected = estimateSpeech(text, language, wordsPerMinute);
      return expected > 0 ? [ms / expected] : [];
    })
    .sort((a, b) => a - b);
  if (times.length < LEAST_MEASURED) return 1;
  const upper = times[Math.floor(times.length / 2)] ?? 1;
  const lower = times[Math.ceil(times.length / 2) - 1] ?? 1;
  return (lower + upper) / 2;
}
