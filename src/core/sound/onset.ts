import { filtered, type Sound } from './loudness';

/**
 * Where in a spoken word people hear its beat: where the vowel of its stressed syllable begins, not where the file
 * does. "Six" begins with a hiss and "eleven" with a syllable that nobody counts by. That the beat of a word lies near
 * the beginning of its stressed vowel is common knowledge of phonetics ("perceptual centre", from memory).
 */

/** Vowels are between these, in Hz; hisses and hums are not. */
const LOW_HZ = 350;
const HIGH_HZ = 2600;
const HOP_S = 0.005;
/** The envelope is smoothed over so long, so that the single pulses of a deep voice are none. */
const SMOOTH_S = 0.02;
/** A vowel begins where it has so much of its height. */
const BEGINS = 0.6;
/** What is softer than that, beside the loudest, is no syllable. */
const HEARD = 0.25;
/** The voice sinks that far between two syllables, beside the softer one. */
const SINKS = 0.75;

/** How loud the vowels are, frame by frame. */
function envelope({ samples, rate }: Sound): Float64Array {
  const band = filtered(
    filtered(samples, passing('above', LOW_HZ, rate)),
    passing('below', HIGH_HZ, rate),
  );
  const hop = Math.max(1, Math.round(HOP_S * rate));
  const reach = Math.round((SMOOTH_S * rate) / 2) + hop;
  const sums = new Float64Array(band.length + 1);
  for (let i = 0; i < band.length; i++) sums[i + 1] = (sums[i] ?? 0) + (band[i] ?? 0) ** 2;
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
export function stressedOnsetMs(sound: Sound, syllable = 0): number {
  const levels = envelope(sound);
  const loudest = levels.reduce((most, level) => Math.max(most, level), 0);
  if (loudest <= 0) return 0;
  const all = syllablesOf(levels).filter(({ top }) => (levels[top] ?? 0) >= HEARD * loudest);
  const stressed = all[Math.min(syllable, all.length - 1)];
  if (!stressed) return 0;
  const begins = BEGINS * (levels[stressed.top] ?? 0);
  let at = stressed.top;
  while (at > stressed.from && (levels[at - 1] ?? 0) >= begins) at--;
  return Math.round(at * HOP_S * 1000);
}
