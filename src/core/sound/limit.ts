import { HIGHEST_DBTP, louder, MOST_BETWEEN } from './loudness';

/** So much before and after a window is looked at, in seconds: longer than a peak is made softer on each side. */
const BESIDE_S = 0.016;
/** Where nothing is louder than that, nothing is too high, between samples either. */
const SURELY_LOW = 10 ** (HIGHEST_DBTP / 20) / MOST_BETWEEN;

function isLow(samples: Float32Array): boolean {
  for (let i = 0; i < samples.length; i++) {
    if (Math.abs(samples[i] ?? 0) > SURELY_LOW) return false;
  }
  return true;
}

/**
 * Windows of one sound with their peaks held below the highest that may be, as if they were one piece.
 * @see HIGHEST_DBTP
 */
export async function* limited(
  windows: AsyncIterable<Float32Array>,
  rate: number,
): AsyncGenerator<Float32Array> {
  const beside = Math.round(BESIDE_S * rate);
  let before = new Float32Array(0);
  let now: Float32Array | null = null;
  const held = (window: Float32Array, after: Float32Array): Float32Array => {
    const all = new Float32Array(before.length + window.length + after.length);
    all.set(before);
    all.set(window, before.length);
    all.set(after, before.length + window.length);
    const from = before.length;
    before = all.slice(from, from + window.length).slice(-beside);
    if (isLow(all)) return window;
    const { samples } = louder({ samples: all, rate }, 0);
    return samples.subarray(from, from + window.length);
  };
  for await (const window of windows) {
    if (now) yield held(now, window.subarray(0, beside));
    now = window;
  }
  if (now) yield held(now, new Float32Array(0));
}
