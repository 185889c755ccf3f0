import type { Sound } from './loudness';

/** Sounds put on one line of time, window by window, so that an hour of them never stands in memory at once. */

/** A sound and where it begins. */
export interface Placed {
  /** From the start, in ms. */
  startMs: number;
  sound: () => Promise<Sound | null>;
  /** How long before its time it begins, in ms, `MOST_EARLY_MS` at most: what of it is heard then tells. */
  earlyMs?: (sound: Sound) => number;
  /** A factor; 1 where it is missing. */
  volume?: number;
}

/** Most that a sound may begin before its time, in ms. */
export const MOST_EARLY_MS = 400;

/** Seconds that are mixed at once. */
const WINDOW_S = 1;
/**
 * A window holds what it holds until so many more were asked for; then its place is used anew. A class of an hour is 300
 * megabytes of samples: taken and let go one after the other they would have the whole of the memory looked through
 * again and again.
 */
export const WINDOWS_HELD = 4;
/** How many samples on each side a sample at another rate is made of. */
const REACH = 16;

/** A sound at another rate: each sample a sum of those around it, under a window. */
export function atRate({ samples, rate }: Sound, wanted: number): Sound {
  if (rate === wanted) return { samples, rate };
  const step = rate / wanted;
  // What the new rate cannot hold is left out.
  const cut = Math.min(1, wanted / rate);
  const reach = Math.ceil(REACH / cut);
  const made = new Float32Array(Math.floor(samples.length / step));
  for (let i = 0; i < made.length; i++) {
    const at = i * step;
    const middle = Math.floor(at);
    let sum = 0;
    for (let j = middle - reach + 1; j <= middle + reach; j++) {
      const t = (at - j) * cut;
      const window = 0.5 + 0.5 * Math.cos((Math.PI * (at - j)) / reach);
      const sinc = t === 0 ? 1 : Math.sin(Math.PI * t) / (Math.PI * t);
      sum += (samples[j] ?? 0) * cut * sinc * window;
    }
    made[i] = sum;
  }
  return { samples: made, rate: wanted };
}

/** A stretch of a mix. */
export interface Window {
  samples: Float32Array;
  /** Nothing in it is a sum of sounds, so that nothing in it is higher than its sounds are themselves. */
  alone: boolean;
}

/**
 * Mixes sounds, one window of a second after the other.
 * @param placed in the order of their beginnings
 * @returns windows whose samples together last as long as asked for, to a sample
 */
export async function* mixed(
  placed: readonly Placed[],
  { rate, totalMs }: { rate: number; totalMs: number },
): AsyncGenerator<Window> {
  const whole = Math.round((totalMs * rate) / 1000);
  const size = Math.round(WINDOW_S * rate);
  let next = 0;
  let sounding: { from: number; samples: Float32Array; volume: number }[] = [];
  const places = Array.from(
    { length: WINDOWS_HELD },
    () => new Float32Array(Math.min(size, whole)),
  );
  for (let at = 0, nth = 0; at < whole; at += size, nth++) {
    const place = places[nth % WINDOWS_HELD] as Float32Array;
    const window = place.subarray(0, whole - at).fill(0);
    const end = at + window.length;
    // Those that may begin in this window, early as they may be.
    const until = (end * 1000) / rate + MOST_EARLY_MS;
    for (let p = placed[next]; p && p.startMs < until; p = placed[++next]) {
      const sound = await p.sound();
      if (!sound) continue;
      const startMs = Math.max(0, p.startMs - Math.min(MOST_EARLY_MS, p.earlyMs?.(sound) ?? 0));
      const from = Math.round((startMs * rate) / 1000);
      sounding.push({ from, samples: atRate(sound, rate).samples, volume: p.volume ?? 1 });
    }
    let [alone, over] = [true, 0];
    for (const { from, samples, volume } of sounding) {
      const first = Math.max(at, from);
      const last = Math.min(end, from + samples.length);
      if (first >= last) continue;
      if (volume > 1 || first < over) alone = false;
      over = Math.max(over, last);
      for (let i = first; i < last; i++) {
        window[i - at] = (window[i - at] as number) + volume * (samples[i - from] as number);
      }
    }
    sounding = sounding.filter(({ from, samples }) => from + samples.length > end);
    yield { samples: window, alone };
  }
}

/** How loud a tone of a beat is, and how it rises and falls, in seconds: as it is heard in class. */
const TONE = { level: 0.12, rises: 0.02, falls: 0.35, least: 0.001 } as const;

/** A soft tone that marks a beat or a breath. */
export function softTone(hz: number, rate: number): Sound {
  const samples = Float32Array.from({ length: Math.round(TONE.falls * rate) }, (_, i) => {
    const s = i / rate;
    const share = (s - TONE.rises) / (TONE.falls - TONE.rises);
    const level =
      s < TONE.rises
        ? (TONE.level * s) / TONE.rises
        : TONE.level * (TONE.least / TONE.level) ** share;
    return level * Math.sin(2 * Math.PI * hz * s);
  });
  return { samples, rate };
}

/** Samples as 16 bits each, the low byte first, as WAV files and the programs that read them have it. */
export function bytesOf(samples: Float32Array): Uint8Array<ArrayBuffer> {
  const whole = new Int16Array(samples.length);
  for (let i = 0; i < samples.length; i++) {
    const s = samples[i] as number;
    // Most of a class is silence, which stands there already.
    if (s === 0) continue;
    // Rounded so, it takes a third of the time that `Math.round` takes.
    whole[i] = Math.floor(Math.max(-1, Math.min(1, s)) * 32_767 + 0.5);
  }
  // Every machine that browsers and Node run on keeps the low byte first too.
  return new Uint8Array(whole.buffer);
}
