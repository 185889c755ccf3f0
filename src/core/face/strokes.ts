import type { Stroke } from '../move';
import { placesOf } from './geometry';
import { lineThrough, type Point } from './path';
import type { Pose } from './pose';

const HEAD_LENGTH = 13;
const HEAD_SPREAD = 0.5;

/** The two barbs of an arrow head at the end of a stroke. */
function head(places: readonly Point[]): string {
  const end = places.at(-1);
  const before = places.at(-2);
  if (!end || !before) return '';
  const angle = Math.atan2(end[1] - before[1], end[0] - before[0]);
  const barb = (turn: number) => {
    const x = end[0] - HEAD_LENGTH * Math.cos(angle + turn);
    const y = end[1] - HEAD_LENGTH * Math.sin(angle + turn);
    return `${x.toFixed(1)},${y.toFixed(1)}`;
  };
  return `M${barb(HEAD_SPREAD)} L${end[0]},${end[1]} L${barb(-HEAD_SPREAD)}`;
}

/** Arrows for the way of strokes or the direction of pulls, on some halves of a face in a pose. */
export const strokePath = (
  pose: Pose,
  strokes: readonly Stroke[],
  halves: readonly ('left' | 'right')[],
): string =>
  strokes
    .flatMap((stroke) => halves.map((half) => placesOf(pose, stroke, half)))
    .map((places) => lineThrough(places) + head(places))
    .join('');
