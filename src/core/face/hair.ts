import { depthAt, type Turned, turned, turnedOutline } from './field';
import { type Point, ringThrough, sampled } from './path';
import { between, clamp, flip, type Half, HEAD_POINTS, type Posed } from './posed';
import { MIDDLE_LINES } from './still';

/** Hair, where one chose some. */

const HAIR_LONG: readonly Point[] = [
  [200, 52],
  [142, 62],
  [96, 104],
  [80, 170],
  [78, 240],
  [70, 320],
  [62, 400],
  [84, 452],
  [150, 440],
];
const HAIRLINE: readonly Point[] = [...sampled(MIDDLE_LINES.hairline, 4), [288, 152]];

/** Hair that falls behind the head: above it goes with the head, below it hangs. */
export function longHair(p: Posed): string {
  const side = (half: Half) =>
    HAIR_LONG.map((point): Point => {
      const own = half === 'L' ? point : flip(point);
      const [x, y] = turnedOutline(p.head, own);
      const hangs = clamp((own[1] - 330) / 120);
      return [between(x, own[0], hangs), between(y, own[1], hangs)];
    });
  return ringThrough([...side('L'), ...side('R').slice(1).reverse()]);
}

/** Short hair: between the crown and the hairline. */
export function shortHair(outline: readonly Point[], head: Turned): string {
  const top = outline.filter((_, i) => (HEAD_POINTS[i]?.[1] ?? 500) <= 186);
  // The outline begins at the crown and goes round by the right.
  const half = Math.ceil(top.length / 2);
  const over = [...top.slice(half), ...top.slice(0, half)];
  const edge = HAIRLINE.map((point) => turned(head, point, depthAt(point)));
  return ringThrough([...over, ...[...edge].reverse()]);
}
