import { louder } from './loudness';

/** So much before and after a window is looked at, in seconds: longer than a peak is made softer on each side. */
const BESIDE_S = 0.016;

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
    const { samples } = louder({ samples: all, rate }, 0);
    const from = before.length;
    before = all.slice(from, from + window.length).slice(-beside);
    return samples.subarray(from, from + window.length);
  };
  for await (const window of windows) {
    if (now) yield held(now, window.subarray(0, beside));
    now = window;
  }
  if (now) yield held(now, new Float32Array(0));
}
