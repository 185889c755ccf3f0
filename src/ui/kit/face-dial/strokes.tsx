import type { Stroke } from '@/core/move';
import { POINTS } from './points';

const HEAD_LENGTH = 13;
const HEAD_SPREAD = 0.5;

type Point = readonly [x: number, y: number];

/** A soft line through the points of a stroke. */
function line(places: readonly Point[]): string {
  const [first, ...rest] = places;
  if (!first) return '';
  let path = `M${first[0]},${first[1]}`;
  rest.forEach(([x, y], i) => {
    const next = rest[i + 1];
    if (next) path += ` Q${x},${y} ${(x + next[0]) / 2},${(y + next[1]) / 2}`;
    else path += ` L${x},${y}`;
  });
  return path;
}

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

export interface StrokesProps {
  strokes: readonly Stroke[];
  /** The halves of the face they are shown on, as SVG transforms. */
  transforms: readonly (string | undefined)[];
}

/** Arrows for the way of a stroke or the direction of a pull. */
export function Strokes({ strokes, transforms }: StrokesProps) {
  return (
    <g stroke="var(--color-secondary)" strokeWidth={6} fill="none">
      {strokes.map((stroke) => {
        const places = stroke.map((point) => POINTS[point]);
        const key = stroke.join(' ');
        return transforms.map((transform) => (
          <g key={`${key} ${transform ?? ''}`} transform={transform}>
            <path d={line(places)} />
            <path d={head(places)} />
          </g>
        ));
      })}
    </g>
  );
}
