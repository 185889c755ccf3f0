import { type Point, ringThrough } from './path';
import { between, clamp, type Half, type Posed } from './posed';

/** Lids and what they show of an eye. */

export interface Eye {
  upper: Point[];
  lower: Point[];
  centre: Point;
  /** How much it is closed, and how hard. */
  closed: number;
  squeezed: number;
}

const EYE_COLUMNS = [-1, -0.6, -0.2, 0.2, 0.6, 1];

export function eyeOf(p: Posed, half: Half): Eye {
  const [wide, cheek, tight, closed] = [
    p.of('5', half),
    p.of('6', half),
    p.of('7', half),
    p.of('43', half),
  ];
  const [up, down] = [p.value('63'), p.value('64')];
  const open = 1 - closed;
  const lowerY = 225.2 - open * (2 * cheek + 4 * tight) - 1.5 * closed;
  const upperY = between(
    208.4 - 4.5 * wide + 1.5 * cheek + 3.4 * tight - 2 * up + 3.5 * down,
    lowerY,
    closed,
  );
  const line = (y: number) =>
    EYE_COLUMNS.map((s): Point => {
      const arch = (1 - s * s) ** 0.75;
      return [160 + 20 * s, 217 + (y - 217) * arch];
    });
  const upper = Math.min(upperY, lowerY);
  const side = p.value('61R') - p.value('61L');
  const inward = (half === 'L' ? 1 : -1) * p.value('66');
  const shift = (half === 'L' ? 1 : -1) * 9.5 * clamp(side + inward, -1, 1);
  const centre: Point = [160 + shift, 216.4 - 5.5 * up + 5 * down];
  return {
    upper: line(upper),
    lower: line(lowerY),
    centre,
    closed,
    squeezed: Math.max(cheek, tight),
  };
}

/** A circle of the eye, cut by its lids. */
export function round(eye: Eye, r: number, place: (points: Point[]) => Point[]): string {
  if (eye.closed > 0.9) return '';
  const [cx, cy] = eye.centre;
  const [low, high] = [edgeAt(eye.lower), edgeAt(eye.upper)];
  const points = Array.from({ length: 12 }, (_, i): Point => {
    const angle = (i / 12) * 2 * Math.PI;
    const x = clamp(cx + r * Math.cos(angle), 141, 179);
    return [x, clamp(cy + r * Math.sin(angle), Math.min(high(x), low(x)), low(x))];
  });
  return ringThrough(place(points));
}

/** The height of a line at a place, straight between its points. */
export function edgeAt(line: readonly Point[]): (x: number) => number {
  return (x) => {
    const i = line.findIndex(([px]) => px >= x);
    const [b, a] = [line[Math.max(1, i)], line[Math.max(1, i) - 1]];
    if (!a || !b) return 217;
    return between(a[1], b[1], clamp((x - a[0]) / (b[0] - a[0])));
  };
}
