import { HIGHEST_DBTP, held, MOST_BETWEEN } from './loudness';
import type { Window } from './mix';

/** So much before and after a window is looked at, in seconds: longer than a peak is made softer on each side. */
const BESIDE_S = 0.016;
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
  let before: Window = NOTHING;
  const heldBeside = ({ samples }: Window, after: Window): Float32Array => {
    const earlier = before.samples.subarray(-beside);
    const all = joined(earlier, samples, after.samples.subarray(0, beside));
    if (isLow(all)) return samples;
    const from = earlier.length;
    return held({ samples: all, rate }).samples.subarray(from, from + samples.length);
  };
  /** What is softened on one side of a border is softened on the other too. */
  const made = (window: Window, after: Window) => {
    const asIs = before.alone && window.alone && after.alone;
    const samples = asIs ? window.samples : heldBeside(window, after);
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
