/** Points and soft lines through them. */

export type Point = readonly [x: number, y: number];

const NUMBER = /-?\d+(?:\.\d+)?/g;
const n = (value: number): string => String(Math.round(value * 10) / 10);

/** A soft open line through some points. */
export function lineThrough(points: readonly Point[]): string {
  const [first] = points;
  if (!first) return '';
  let path = `M${n(first[0])},${n(first[1])}`;
  for (let i = 0; i < points.length - 1; i++) {
    const [a, b, c, d] = [points[i - 1], points[i], points[i + 1], points[i + 2]];
    if (b && c) path += curve(a ?? b, b, c, d ?? c);
  }
  return path;
}

/** A soft closed line through some points. */
export function ringThrough(points: readonly Point[]): string {
  const { length } = points;
  const at = (i: number): Point => points[(i + length) % length] ?? [0, 0];
  let path = `M${n(at(0)[0])},${n(at(0)[1])}`;
  for (let i = 0; i < length; i++) path += curve(at(i - 1), at(i), at(i + 1), at(i + 2));
  return `${path}Z`;
}

/** From b to c, as smooth as a and d let it be. */
function curve(a: Point, b: Point, c: Point, d: Point): string {
  const bend = 1 / 6;
  const x1 = b[0] + (c[0] - a[0]) * bend;
  const y1 = b[1] + (c[1] - a[1]) * bend;
  const x2 = c[0] - (d[0] - b[0]) * bend;
  const y2 = c[1] - (d[1] - b[1]) * bend;
  return `C${n(x1)},${n(y1)} ${n(x2)},${n(y2)} ${n(c[0])},${n(c[1])}`;
}

/** Straight from point to point. */
export const straight = (points: readonly Point[]): string =>
  points.map(([x, y], i) => `${i ? 'L' : 'M'}${n(x)},${n(y)}`).join('');

/** A path taken apart: what stands between its numbers, and its points. */
interface Apart {
  between: readonly string[];
  points: readonly Point[];
}
const apart = new Map<string, Apart>();

function takenApart(path: string): Apart {
  const known = apart.get(path);
  if (known) return known;
  const numbers = path.match(NUMBER)?.map(Number) ?? [];
  const points = Array.from(
    { length: numbers.length / 2 },
    (_, i): Point => [numbers[2 * i] ?? 0, numbers[2 * i + 1] ?? 0],
  );
  const made = { between: path.split(NUMBER), points };
  apart.set(path, made);
  return made;
}

/** A path of the resting face, written with absolute coordinates, each of its points moved. */
export function moved(path: string, to: (point: Point) => Point): string {
  const { between, points } = takenApart(path);
  let made = between[0] ?? '';
  points.forEach((point, i) => {
    const [x, y] = to(point);
    made += n(x) + between[2 * i + 1] + n(y) + between[2 * i + 2];
  });
  return made;
}

/** Points along a path of one move and some cubic curves, so many to each curve. */
export function sampled(path: string, each: number): Point[] {
  const numbers = path.match(NUMBER)?.map(Number) ?? [];
  const at = (i: number): Point => [numbers[2 * i] ?? 0, numbers[2 * i + 1] ?? 0];
  const points: Point[] = [];
  for (let c = 0; 2 * (3 * c + 3) + 1 < numbers.length; c++) {
    const [p, q, r, s] = [at(3 * c), at(3 * c + 1), at(3 * c + 2), at(3 * c + 3)];
    for (let k = 0; k < each; k++) {
      const t = k / each;
      const u = 1 - t;
      const of = (i: 0 | 1) =>
        u ** 3 * p[i] + 3 * u * u * t * q[i] + 3 * u * t * t * r[i] + t ** 3 * s[i];
      points.push([of(0), of(1)]);
    }
  }
  return points;
}
