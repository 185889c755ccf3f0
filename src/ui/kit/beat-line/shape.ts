import type { Arc, Look } from '@/core/streak';

/** Where the beats of a line stand, in px. */
export function placesOf(beats: number, large: boolean): { xs: number[]; width: number } {
  const step = large ? 26 : 20;
  const margin = large ? 14 : 10;
  const xs = Array.from({ length: beats }, (_, i) => margin + i * step);
  return { xs, width: 2 * margin + Math.max(0, beats - 1) * step };
}

/** The line, broken where something was cancelled. */
export function linePieces(
  looks: readonly Look[],
  xs: readonly number[],
  width: number,
): [from: number, to: number][] {
  const pieces: [number, number][] = [];
  let from = 2;
  looks.forEach((look, i) => {
    if (look !== 'off') return;
    const x = xs[i] ?? 0;
    if (x - 9 > from) pieces.push([from, x - 9]);
    from = x + 9;
  });
  if (width - 2 > from) pieces.push([from, width - 2]);
  return pieces;
}

/** An arc over the beats that it holds together; a stroke over a single one. */
export function arcPath(arc: Arc, { xs, y }: { xs: readonly number[]; y: number }): string {
  const [a, b] = [xs[arc.from] ?? 0, xs[arc.to] ?? 0];
  const top = y - 9;
  if (a === b) return `M${a} ${top}V${top - 5}`;
  // A quadratic curve rises half as high as its middle point.
  const rise = Math.min(2 * (top - 4), 8 + (b - a) / 8);
  return `M${a} ${top}Q${(a + b) / 2} ${top - rise} ${b} ${top}`;
}
