import { filtered, powerUpTo, type Sound } from './loudness';

/**
 * Where in a spoken word people hear its beat: near where the vowel of its stressed syllable begins, not where the file
 * does. "Six" begins with a hiss and "eleven" with a syllable that nobody counts by. It lies the later the longer the
 * sounds before the vowel are, and the longer the syllable goes on after it: S. M. Marcus, "Acoustic determinants of
 * perceptual center (P-center) location", Perception & Psychophysics 30 (1981), whose two weights these are (from
 * memory).
 */
const BEFORE_VOWEL = 0.65;
const FROM_VOWEL = 0.25;

/** Vowels are between these, in Hz; hisses and hums are not. */
const VOWELS_HZ = [500, 2600] as const;
/** All that is heard of a word is between these. */
const WORDS_HZ = [80, 4000] as const;
const HOP_S = 0.005;
/** The envelope is smoothed over so long, so that the single pulses of a deep voice are none. */
const SMOOTH_S = 0.03;
/** A vowel begins where it has so much of its height. */
const BEGINS = 0.6;
/** A syllable is over where it has sunk to so much of its height. */
const OVER = 0.1;
/** What is softer than that, beside the loudest, is no syllable. */
const HEARD = 0.35;
/** The voice sinks that far between two syllables, beside the softer one. */
const SINKS = 0.75;
/** Where it sinks no further than that, it may be one that swells again, which goes on. */
const ENDS = 0.5;

/** How loud a sound is between two pitches, frame by frame. */
function envelope({ samples, rate }: Sound, [low, high]: readonly [number, number]): Float64Array {
  const below = passing('below', high, rate);
  const band = filtered(samples, passing('above', low, rate), below, below);
  const hop = Math.max(1, Math.round(HOP_S * rate));
  const reach = Math.round((SMOOTH_S * rate) / 2) + hop;
  const sums = powerUpTo(band);
  return Float64Array.from({ length: Math.ceil(band.length / hop) }, (_, frame) => {
    const from = Math.max(0, frame * hop - reach);
    const to = Math.min(band.length, frame * hop + reach);
    return Math.sqrt(((sums[to] ?? 0) - (sums[from] ?? 0)) / Math.max(1, to - from));
  });
}

/** A filter of the second order (Butterworth, by the bilinear transform). */
function passing(side: 'above' | 'below', hz: number, rate: number) {
  const k = Math.tan(Math.PI * Math.min(0.45, hz / rate));
  const norm = 1 / (1 + Math.SQRT2 * k + k * k);
  const a = [2 * (k * k - 1) * norm, (1 - Math.SQRT2 * k + k * k) * norm] as const;
  const b =
    side === 'above' ? [norm, -2 * norm, norm] : [k * k * norm, 2 * k * k * norm, k * k * norm];
  return { b: b as [number, number, number], a };
}

/** The syllables of a word: where each is loudest, and the dip that it comes out of. */
function syllablesOf(levels: Float64Array): { top: number; from: number }[] {
  const level = (i: number) => levels[i] ?? 0;
  const found: { top: number; from: number }[] = [];
  let [low, top] = [0, 0];
  for (let i = 0; i <= levels.length; i++) {
    if (level(i) > level(top)) top = i;
    // It sinks, or ends: what was loudest since the last dip is a syllable, or a swell of the one before.
    if (level(i) >= SINKS * level(top) && i < levels.length) continue;
    const last = found.at(-1);
    if (!last || level(low) < SINKS * Math.min(level(last.top), level(top))) {
      found.push({ top, from: low });
    } else if (level(top) > level(last.top)) last.top = top;
    while (i + 1 < levels.length && level(i + 1) <= level(i)) i++;
    [low, top] = [i, i];
  }
  return found;
}

/**
 * Where the beat of a spoken word is.
 * @param syllable which one carries the stress, from 0
 * @returns ms from the start of the sound; 0 where nothing is heard
 */
export function stressedBeatMs(sound: Sound, syllable = 0): number {
  const levels = envelope(sound, VOWELS_HZ);
  const loudest = levels.reduce((most, level) => Math.max(most, level), 0);
  if (loudest <= 0) return 0;
  const all = syllablesOf(levels).filter(({ top }) => (levels[top] ?? 0) >= HEARD * loudest);
  const at = Math.min(syllable, all.length - 1);
  const stressed = all[at];
  if (!stressed) return 0;
  const top = levels[stressed.top] ?? 0;
  let vowel = stressed.top;
  while (vowel > stressed.from && (levels[vowel - 1] ?? 0) >= BEGINS * top) vowel--;
  // What comes after a vowel may be a hum or a hiss.
  const words = envelope(sound, WORDS_HZ);
  const level = (frame: number) => levels[frame] ?? 0;
  const next = all.find(
    (one, i) =>
      i > at && level(one.from) < ENDS * Math.min(level(one.top), level(all[i - 1]?.top ?? 0)),
  );
  const until = next?.from ?? words.length;
  let over = stressed.top;
  while (over < until && (words[over] ?? 0) >= OVER * (words[stressed.top] ?? 0)) over++;
  return Math.round((BEFORE_VOWEL * vowel + FROM_VOWEL * (over - vowel)) * HOP_S * 1000);
}
