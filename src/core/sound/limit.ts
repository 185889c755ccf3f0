import { HIGHEST_DBTP, louder, MOST_BETWEEN } from './loudness';

/** So much before and after a piece is looked at, in seconds: longer than a peak is made softer on each side. */
const BESIDE_S = 0.016;
/** How much is looked at as one piece, in seconds. */
const PIECE_S = 0.05;
/** Where nothing is louder than that, nothing is too high, between samples either. */
const SURELY_LOW = 10 ** (HIGHEST_DBTP / 20) / MOST_BETWEEN;

function isLow(samples: Float32Array): boolean {
  for (let i = 0; i < samples.length; i++) {
    const s = samples[i] ?? 0;
    if (s > SURELY_LOW || s < -SURELY_LOW) return false;
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
  const size = Math.round(PIECE_S * rate);
  let before = new Float32Array(0);
  let now: Float32Array | null = null;
  const held = (window: Float32Array, after: Float32Array): Float32Array => {
    const from = before.length;
    const all = new Float32Array(from + window.length + after.length);
    all.set(before);
    all.set(window, from);
    all.set(after, from + window.length);
    before = all.slice(Math.max(0, from + window.length - beside), from + window.length);
    const out = all.slice(from, from + window.length);
    for (let at = 0; at < out.length; at += size) {
      const first = Math.max(0, from + at - beside);
      const end = Math.min(out.length, at + size);
      const around = all.subarray(first, from + end + beside);
      if (isLow(around)) continue;
      const { samples } = louder({ samples: around, rate }, 0);
      out.set(samples.subarray(from + at - first, from + end - first), at);
    }
    return out;
  };
  for await (const window of windows) {
    if (now) yield held(now, window.subarray(0, beside));
    now = window;
  }
  if (now) yield held(now, new Float32Array(0));
}
