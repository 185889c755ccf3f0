import { HIGHEST_DBTP, held } from './loudness';
import type { Window } from './mix';

/** So much before and after a window is looked at, in seconds: longer than a peak is made softer on each side. */
const BESIDE_S = 0.016;

/**
 * Windows of one sound with their peaks held below the highest that may be, as if they were one piece. They last as
 * long as those that are given.
 * @param windows what is alone in one is not higher
 * @param highest in dBTP
 */
export async function* limited(
  windows: AsyncIterable<Window>,
  rate: number,
  highest = HIGHEST_DBTP,
): AsyncGenerator<Float32Array> {
  const beside = Math.round(BESIDE_S * rate);
  const joined = joiner();
  let before: Window = NOTHING;
  const heldBeside = ({ samples }: Window, after: Window): Float32Array => {
    const earlier = before.samples.subarray(-beside);
    const all = joined(earlier, samples, after.samples.subarray(0, beside));
    const from = earlier.length;
    const is = held({ samples: all, rate }, highest).samples;
    return is === all ? samples : is.subarray(from, from + samples.length);
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

/** Puts parts behind one another, each time in the same place of memory. */
function joiner() {
  let place = new Float32Array(0);
  return (...parts: readonly Float32Array[]): Float32Array => {
    const length = parts.reduce((sum, part) => sum + part.length, 0);
    if (place.length < length) place = new Float32Array(length);
    const all = place.subarray(0, length);
    let at = 0;
    for (const part of parts) {
      all.set(part, at);
      at += part.length;
    }
    return all;
  };
}
