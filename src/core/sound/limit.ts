import { HIGHEST_DBTP, louder, MOST_BETWEEN } from './loudness';
import type { Window } from './mix';

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
  windows: AsyncIterable<Window>,
  rate: number,
): AsyncGenerator<Float32Array> {
  const beside = Math.round(BESIDE_S * rate);
  const size = Math.round(PIECE_S * rate);
  let before: Window = NOTHING;
  const held = (window: Window, after: Window): Float32Array => {
    const earlier = before.samples.subarray(-beside);
    const all = joined(earlier, window.samples, after.samples.subarray(0, beside));
    const from = earlier.length;
    const out = window.samples.slice();
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
  /** What is softened on one side of a border is softened on the other too. */
  const made = (window: Window, after: Window) => {
    const asIs = before.alone && window.alone && after.alone;
    const samples = asIs ? window.samples : held(window, after);
    before = window;
    return samples;
  };
  let now: Window | null = null;
  for await (const window of windows) {
    if (now) yield made(now, window);
    now = window;
  }
  if (now) yield made(now, NOTHING);
}

const NOTHING: Window = { samples: new Float32Array(0), alone: true };

function joined(...parts: readonly Float32Array[]): Float32Array {
  const all = new Float32Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
