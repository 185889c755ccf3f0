import type { PairedUnit, Unit } from '../move';
import { depthAt, onSkin, turned } from './field';
import { type Point, ringThrough } from './path';
import { between, clamp, flip, type Half, type Posed } from './posed';

/** Lips and tongue. */

/** How the lips stand: the heights of their four edges in the middle, and where the corners are. */
export interface Mouth {
  left: Point;
  right: Point;
  upperOuter: number;
  upperInner: number;
  lowerInner: number;
  lowerOuter: number;
  /** How round the opening is, 0 to 1. */
  round: number;
  open: number;
}

const COLUMNS = [-1, -0.82, -0.58, -0.3, 0, 0.3, 0.58, 0.82, 1];
const CORNER: Point = [162, 305];

export function mouthOf(p: Posed): Mouth {
  const v = (unit: Unit) => p.value(unit);
  const mean = (name: PairedUnit) => (p.of(name, 'L') + p.of(name, 'R')) / 2;
  const { skin } = p;
  const [purse, funnel, folded, pressed] = [v('18'), v('22'), v('28'), v('23')];
  const inward = clamp(24 * purse + 19 * funnel - 3 * folded, -4, 27);
  const parted = Math.max(v('25'), 0.9 * funnel);
  const jaw = skin.jawDown;
  const corner = (half: Half): Point => {
    const own = half === 'L' ? CORNER : flip(CORNER);
    const [x, y] = onSkin(skin, own);
    const way = half === 'L' ? 1 : -1;
    return [x + way * (inward + 4 * pressed), y + 0.3 * jaw * parted + 4 * funnel];
  };
  const [left, right] = [corner('L'), corner('R')];
  // Nothing may cross the middle, whatever the units are.
  const gap = 11;
  const middle = (left[0] + right[0]) / 2;
  const leftX = Math.min(left[0], middle - gap);
  const rightX = Math.max(right[0], middle + gap);
  const closedDown = 0.35 * jaw * (1 - parted);
  const lower = parted * (3 + 0.82 * jaw) + 6 * v('16') + 5 * funnel - 4 * v('17');
  const upper = 2 * parted + 6 * mean('10') + 4 * funnel;
  const smileLift = 3 * (mean('12') + mean('13'));
  const upperInner = 317.4 - upper - smileLift + closedDown;
  const lowerInner = Math.max(upperInner + 0.2, 317.6 + lower - smileLift + closedDown);
  const thin = clamp(0.93 * folded + 0.5 * pressed);
  const upperLip = between(8.8 + 5 * purse + 2 * funnel, 1, thin) - 3 * mean('12');
  const lowerLip = between(11.8 + 6 * purse + 2 * funnel, 1, thin) - 2 * mean('12');
  return {
    left: [leftX, left[1]],
    right: [rightX, right[1]],
    upperOuter: upperInner - Math.max(1, upperLip) - 5 * v('airAbove'),
    upperInner,
    lowerInner,
    lowerOuter: lowerInner + Math.max(1, lowerLip) + 4 * v('airBelow'),
    round: clamp(Math.max(funnel, 0.8 * purse, (lowerInner - upperInner) / 46)),
    open: lowerInner - upperInner,
  };
}

/** The four edges of the lips, each from the left corner to the right. */
export function lipEdges(m: Mouth): {
  upper: Point[];
  upperIn: Point[];
  lowerIn: Point[];
  lower: Point[];
} {
  const middleY = (m.left[1] + m.right[1]) / 2;
  const bow = between(1, 0.55, m.round);
  const edge = (height: number, dip: number) =>
    COLUMNS.map((s): Point => {
      const t = (s + 1) / 2;
      const base = between(m.left[1], m.right[1], t);
      const arch = (1 - s * s) ** bow;
      const cupid = dip * Math.exp(-((s / 0.2) ** 2));
      return [between(m.left[0], m.right[0], t), base + (height - middleY) * arch + cupid * arch];
    });
  return {
    upper: edge(m.upperOuter, Math.min(2, (m.upperInner - m.upperOuter) / 4)),
    upperIn: edge(m.upperInner, 0),
    lowerIn: edge(m.lowerInner, 0),
    lower: edge(m.lowerOuter, 0),
  };
}

/** A pen that lies on the upper lip, held there by the nose; it is there as far as it is held. */
export function penOf(p: Posed, upperLip: readonly Point[]): { d: string; o: number } {
  const there = p.value('pen');
  const lip = upperLip[4];
  if (there < 0.06 || !lip) return { d: '', o: 0 };
  const [x, y] = lip;
  const end = (way: 1 | -1): Point[] => [
    [x + way * 40, y - 9],
    [x + way * 76, y - 9],
    [x + way * 80, y - 5.5],
    [x + way * 76, y - 2],
    [x + way * 40, y - 2],
  ];
  const round = [...end(1), ...[...end(-1)].reverse()];
  return {
    d: ringThrough(round.map((point) => turned(p.head, point, depthAt(point) + 14))),
    o: there,
  };
}

export function tongueOf(p: Posed, mouth: Mouth): { inside: string; outside: string } {
  const out = p.value('19');
  const middle = (mouth.left[0] + mouth.right[0]) / 2;
  const side = p.value('tongueSideR') - p.value('tongueSideL');
  const [up, down] = [p.value('tongueUp'), p.value('tongueDown')];
  const place = (points: Point[], lift: number) =>
    ringThrough(points.map((point) => turned(p.head, point, depthAt(point) + lift)));
  if (out < 0.08) {
    const raised = Math.max(up, p.value('palate'));
    if (mouth.open < 9) return { inside: '', outside: '' };
    const top = between(mouth.lowerInner - 0.3 * mouth.open, mouth.upperInner + 3, raised * 0.8);
    const wide = Math.min(15, (mouth.right[0] - mouth.left[0]) / 2 - 6);
    const x = middle + 6 * side;
    return {
      inside: place(
        [
          [x - wide, mouth.lowerInner - 1],
          [x - wide * 0.6, top + 1],
          [x, top],
          [x + wide * 0.6, top + 1],
          [x + wide, mouth.lowerInner - 1],
          [x, mouth.lowerInner + 0.5],
        ],
        0,
      ),
      outside: '',
    };
  }
  const root: Point = [middle, between(mouth.upperInner, mouth.lowerInner, 0.6)];
  const long = 12 + 22 * out;
  const angle =
    Math.PI / 2 -
    side * 0.9 * (up > 0.3 ? -1 : 1) -
    (up > 0.3 ? Math.PI : 0) * Math.min(1, up * 1.2);
  const way: Point = [Math.cos(angle), Math.sin(angle) * (down > 0 ? 1 : 0.95)];
  const across: Point = [-way[1], way[0]];
  const wide = 9;
  const at = (along: number, off: number): Point => [
    root[0] + way[0] * along + across[0] * off,
    root[1] + way[1] * along + across[1] * off,
  ];
  return {
    inside: '',
    outside: place(
      [
        at(0, -wide),
        at(long * 0.6, -wide),
        at(long * 0.92, -wide * 0.6),
        at(long, 0),
        at(long * 0.92, wide * 0.6),
        at(long * 0.6, wide),
        at(0, wide),
      ],
      10,
    ),
  };
}
