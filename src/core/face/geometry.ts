import type { FacePoint } from '../move';
import { type PairedUnit, type Unit, unitIndex } from '../move';
import {
  depthAt,
  headOf,
  onSkin,
  type Skin,
  skinOf,
  type Turned,
  turned,
  turnedOutline,
} from './field';
import { dot, lineThrough, moved, type Point, ringThrough, sampled, straight } from './path';
import { POINTS } from './points';
import type { Pose } from './pose';
import { HALF_LINES, HEAD, MIDDLE_LINES, PATCHES } from './still';

/**
 * A pose as lines in the dial's box of 400 x 500: the one face of the product, moved. Left is the picture's left. It
 * is pure, and the mirror image of a pose is the mirror image of its lines.
 */

/** One line or shape, and how clearly it is seen. */
export interface Drawn {
  d: string;
  /** 0 to 1; nothing where it is absent. */
  o?: number;
}

/** Parts from the back to the front. */
export const PARTS = [
  'hairLong',
  'shoulders',
  'neck',
  'collarbones',
  'neckLines',
  'ears',
  'head',
  'hairShort',
  'hairline',
  'mouthInside',
  'teeth',
  'tongueBehind',
  'upperLip',
  'lowerLip',
  'lipLine',
  'tongue',
  'eyes',
  'irises',
  'pupils',
  'lids',
  'lowerLids',
  'lashes',
  'brows',
  'nose',
  'crowsFeet',
  'frown',
  'foreheadLines',
  'noseLines',
  'cheekLines',
  'smileLines',
  'hollows',
  'fullCheeks',
  'purseLines',
  'chinLines',
  'airLines',
] as const;
export type PartName = (typeof PARTS)[number];
export type Drawing = Record<PartName, Drawn>;

type Half = 'L' | 'R';
const HALVES: readonly Half[] = ['L', 'R'];
const flip = ([x, y]: Point): Point => [400 - x, y];
const clamp = (v: number, from = 0, to = 1): number => Math.max(from, Math.min(to, v));
const between = (a: number, b: number, t: number): number => a + (b - a) * t;

/** Places of the face in a pose: the skin moved by its units, then the head turned. */
export class Posed {
  readonly skin: Skin;
  readonly head: Turned;

  constructor(readonly pose: Pose) {
    this.skin = skinOf(pose);
    this.head = headOf(pose);
  }

  value(unit: Unit): number {
    return this.pose.units[unitIndex(unit)] ?? 0;
  }

  of(name: PairedUnit, half: Half): number {
    return this.value(`${name}${half}`);
  }

  /** A place of the face at rest, on the left half where `half` is L. */
  at(point: Point, half: Half = 'L', lift = 0): Point {
    const own = half === 'L' ? point : flip(point);
    return turned(this.head, onSkin(this.skin, own), depthAt(own) + lift);
  }

  /** A named place. Those below the head do not turn with it. */
  place(point: FacePoint, half: Half): Point {
    const own = POINTS[point];
    if (own[1] < 392) return this.at(own, half);
    return this.onBody(half === 'L' ? own : flip(own), half);
  }

  /** A place of shoulders, neck or chest. */
  onBody([x, y]: Point, half: Half): Point {
    const far = clamp(Math.abs(x - 200) / 110);
    const up =
      24 * this.of('shoulderUp', half) * far -
      8 * this.of('shoulderDown', half) * far +
      3 * this.value('chest');
    const back = this.of('shoulderBack', half) * far;
    const side = 10 * (this.value('chestSideR') - this.value('chestSideL'));
    return [x + (x < 200 ? -6 : 6) * back + side, y - up + 5 * back - 3 * this.value('breastbone')];
  }
}

const known = new WeakMap<Pose, Posed>();

/** The places of a pose, worked out once for all that is drawn of it. */
export function posed(pose: Pose): Posed {
  const made = known.get(pose) ?? new Posed(pose);
  known.set(pose, made);
  return made;
}

const HEAD_CENTRE: Point = [200, 226];
const HEAD_POINTS = sampled(HEAD, 4);
const NECK_TOP: readonly Point[] = [
  [160, 352],
  [162, 380],
  [157, 402],
];
const SHOULDER: readonly Point[] = [
  [132, 418],
  [104, 430],
  [74, 440],
  [48, 454],
];

/** How the lips stand: the heights of their four edges in the middle, and where the corners are. */
interface Mouth {
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

function mouthOf(p: Posed): Mouth {
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
function lipEdges(m: Mouth): {
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

interface Eye {
  upper: Point[];
  lower: Point[];
  centre: Point;
  /** How much it is closed, and how hard. */
  closed: number;
  squeezed: number;
}

const EYE_COLUMNS = [-1, -0.6, -0.2, 0.2, 0.6, 1];

function eyeOf(p: Posed, half: Half): Eye {
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

/** Lines of one half at rest, moved with the skin. */
const half = (p: Posed, points: readonly Point[], side: Half, lift = 0): Point[] =>
  points.map((point) => p.at(point, side, lift));

const both = (make: (side: Half) => string): string => HALVES.map(make).join('');

/** The half whose signs are stronger gives how clearly they are seen; each half has its own length. */
const most = (of: (side: Half) => number): number => Math.max(of('L'), of('R'), 0);

/** A short line that is the longer, the more there is of something. */
const grown = (points: readonly Point[], much: number): Point[] => {
  const middle = points[Math.floor(points.length / 2)] ?? [0, 0];
  return points.map(([x, y]) => [
    between(middle[0], x, 0.4 + 0.6 * much),
    between(middle[1], y, 0.4 + 0.6 * much),
  ]);
};

/** Signs of one half, each only where there is some of it. */
function signs(
  p: Posed,
  much: (side: Half) => number,
  lines: (side: Half) => readonly (readonly Point[])[],
): Drawn {
  const d = both((side) => {
    const there = clamp(much(side));
    if (there < 0.06) return '';
    return lines(side)
      .map((points) => lineThrough(half(p, grown(points, there), side)))
      .join('');
  });
  return { d, o: clamp(most(much)) };
}

/** The lines of a pose. */
export function geometry(pose: Pose): Drawing {
  const p = posed(pose);
  const { head, skin } = p;
  const mouth = mouthOf(p);
  const edges = lipEdges(mouth);
  const inFace = (points: readonly Point[], lift = 0): Point[] =>
    points.map((point) => turned(head, point, depthAt(point) + lift));
  const eyes = { L: eyeOf(p, 'L'), R: eyeOf(p, 'R') };
  const onEye = (points: readonly Point[], side: Half) =>
    points.map((point) => p.at(point, side, 2));

  const outline = HEAD_POINTS.map((point): Point => {
    // The outline goes in and out along its own ray, so that it can never fold.
    const [x, y] = onSkin(skin, point);
    const ray: Point = [point[0] - HEAD_CENTRE[0], point[1] - HEAD_CENTRE[1]];
    const long = Math.hypot(ray[0], ray[1]);
    const out = ((x - point[0]) * ray[0] + (y - point[1]) * ray[1]) / long;
    const much = Math.max(0.6, (long + out) / long);
    const side = skin.jawSide * clamp((point[1] - 300) / 66);
    return turnedOutline(head, [
      HEAD_CENTRE[0] + ray[0] * much + side,
      HEAD_CENTRE[1] + ray[1] * much,
    ]);
  });

  const neckLine = (side: Half): Point[] => {
    const own = (point: Point): Point => (side === 'L' ? point : flip(point));
    const top = NECK_TOP.map((point, i) => {
      const with_ = [0.75, 0.4, 0.12][i] ?? 0;
      const rest = own(point);
      const gone = turnedOutline(head, rest);
      const body = p.onBody(rest, side);
      return [between(body[0], gone[0], with_), between(body[1], gone[1], with_)] as const;
    });
    return [...top, ...SHOULDER.map((point) => p.onBody(own(point), side))];
  };
  const [leftNeck, rightNeck] = [neckLine('L'), neckLine('R')];
  const bottom: Point[] = [
    [352, 520],
    [48, 520],
  ];
  const collarbone = (side: Half) =>
    lineThrough(
      (
        [
          [92, 463],
          [124, 456],
          [158, 458],
          [188, 469],
        ] as Point[]
      ).map((point) => p.onBody(side === 'L' ? point : flip(point), side)),
    );

  const brow = (side: Half): string => {
    const still: Point[] = [
      [181, 192],
      [166, 187],
      [150, 187],
      [134, 198],
    ];
    const thick = [3.4, 3.6, 2.8, 0.6];
    const line = half(p, still, side, 3);
    const upper = line.map(([x, y], i): Point => [x, y - (thick[i] ?? 0)]);
    const lower = line.map(([x, y], i): Point => [x, y + (thick[i] ?? 0)]).toReversed();
    return ringThrough([...upper, ...lower]);
  };

  const lash = (side: Half): string => {
    const { lower, closed } = eyes[side];
    if (closed < 0.5) return '';
    const outward = [
      [1, -3, 6],
      [2, -1.4, 7],
      [3, 0.6, 7],
      [4, 2.2, 6.4],
    ] as const;
    return outward
      .map(([i, dx, dy]) => {
        const [x, y] = lower[5 - i] ?? [0, 0];
        return straight(
          onEye(
            [
              [x, y + 0.6],
              [x - dx - 1, y + dy * closed],
            ],
            side,
          ),
        );
      })
      .join('');
  };

  const squeeze = (side: Half) => eyes[side].squeezed * (0.45 + 0.55 * eyes[side].closed);
  const tongue = tongueOf(p, mouth);
  const teethY = Math.min(mouth.upperInner + 6, mouth.lowerInner);
  const inside = ringThrough(
    inFace([...edges.upperIn, ...edges.lowerIn.slice(1, -1).toReversed()]),
  );
  const lip = (outer: Point[], inner: Point[]) =>
    ringThrough(inFace([...outer, ...inner.slice(1, -1).toReversed()], 4));
  const isOpen = mouth.open > 1.2;
  const nose = moved(MIDDLE_LINES.nose, (point) => p.at(point, 'L', 16));
  const forehead = (side: Half) =>
    ((p.of('1', side) + p.of('2', side)) / 2) * (1 - p.of('brace', side));
  const shoulders = ringThrough([...leftNeck, ...bottom.toReversed(), ...rightNeck.toReversed()]);

  return {
    hairLong: { d: longHair(p) },
    hairShort: { d: shortHair(outline, head) },
    shoulders: { d: shoulders },
    neck: { d: lineThrough(leftNeck) + lineThrough(rightNeck) },
    collarbones: { d: collarbone('L') + collarbone('R') },
    neckLines: neckLines(p, leftNeck, rightNeck),
    ears: {
      d: both((side) =>
        moved(HALF_LINES.ear, (point) => turned(head, side === 'L' ? point : flip(point), -16)),
      ),
    },
    head: { d: ringThrough(outline) },
    hairline: {
      d: moved(MIDDLE_LINES.hairline, (point) => turned(head, point, depthAt(point))),
    },
    mouthInside: { d: isOpen ? inside : '' },
    teeth: {
      d:
        isOpen && mouth.open > 5 && p.value('28') < 0.25
          ? ringThrough(
              inFace([
                ...edges.upperIn.slice(2, -2),
                ...edges.upperIn
                  .slice(2, -2)
                  .map(([x, y], i, all): Point => {
                    const under = edges.lowerIn[i + 2]?.[1] ?? y;
                    const low =
                      y + (teethY - mouth.upperInner) * (i === 0 || i === all.length - 1 ? 0.6 : 1);
                    return [x, Math.min(low, under)];
                  })
                  .toReversed(),
              ]),
            )
          : '',
    },
    tongueBehind: { d: tongue.inside },
    upperLip: { d: lip(edges.upper, edges.upperIn) },
    lowerLip: { d: lip(edges.lower, edges.lowerIn) },
    lipLine: {
      d:
        lineThrough(inFace(edges.upperIn, 4)) +
        (isOpen ? lineThrough(inFace(edges.lowerIn, 4)) : ''),
    },
    tongue: { d: tongue.outside },
    eyes: {
      d: both((side) =>
        eyes[side].closed > 0.96
          ? ''
          : ringThrough(
              onEye([...eyes[side].upper, ...eyes[side].lower.slice(1, -1).toReversed()], side),
            ),
      ),
    },
    irises: { d: both((side) => round(eyes[side], 8.6, (pts) => onEye(pts, side))) },
    pupils: { d: both((side) => round(eyes[side], 4.2, (pts) => onEye(pts, side))) },
    lids: { d: both((side) => lineThrough(onEye(eyes[side].upper, side))) },
    lowerLids: {
      d: both((side) => lineThrough(onEye(eyes[side].lower.slice(1, -1), side))),
    },
    lashes: { d: both(lash), o: most((side) => clamp((eyes[side].closed - 0.5) * 2)) },
    brows: { d: both(brow) },
    nose: { d: nose },
    crowsFeet: signs(
      p,
      (side) => squeeze(side),
      () => [
        [
          [134, 212],
          [129, 209],
          [123, 206],
        ],
        [
          [133, 218],
          [127, 218],
          [121, 218],
        ],
        [
          [134, 224],
          [129, 227],
          [124, 230],
        ],
      ],
    ),
    frown: signs(
      p,
      (side) => p.of('4', side),
      () => [
        [
          [190, 184],
          [191, 192],
          [190, 200],
        ],
      ],
    ),
    foreheadLines: signs(p, forehead, () => [
      [
        [142, 164],
        [170, 158],
        [199, 160],
      ],
      [
        [148, 150],
        [174, 145],
        [199, 146],
      ],
    ]),
    noseLines: signs(
      p,
      (side) => p.of('9', side),
      () => [
        [
          [182, 238],
          [187, 234],
          [192, 232],
        ],
        [
          [180, 246],
          [186, 242],
          [191, 241],
        ],
      ],
    ),
    cheekLines: signs(
      p,
      (side) => p.of('6', side),
      () => [
        [
          [134, 252],
          [148, 262],
          [166, 256],
        ],
      ],
    ),
    smileLines: signs(
      p,
      (side) =>
        Math.max(
          p.of('12', side),
          0.7 * p.of('13', side),
          0.5 * p.of('14', side),
          0.6 * p.of('20', side),
        ),
      () => [
        [
          [175, 280],
          [160, 291],
          [154, 306],
        ],
      ],
    ),
    hollows: signs(
      p,
      (side) => p.of('35', side),
      () => [
        [
          [126, 278],
          [140, 298],
          [139, 322],
        ],
      ],
    ),
    fullCheeks: signs(
      p,
      (side) => p.of('33', side),
      () => [
        [
          [118, 316],
          [130, 330],
          [148, 328],
        ],
      ],
    ),
    purseLines: signs(
      p,
      () => Math.max(p.value('18'), 0.5 * p.value('22')),
      () => [
        [
          [190, 288],
          [191, 294],
          [190, 299],
        ],
        [
          [182, 292],
          [184, 297],
          [184, 302],
        ],
      ],
    ),
    chinLines: signs(
      p,
      () => Math.max(p.value('17'), 0.8 * p.value('29')),
      () => [
        [
          [186, 342],
          [192, 338],
          [199, 337],
        ],
      ],
    ),
    airLines: signs(
      p,
      (side) => Math.max(p.value('airAbove'), p.value('airBelow'), p.value(`36${side}`)),
      (side) => [
        ...(p.value('airAbove') > 0.06
          ? [
              [
                [172, 296],
                [184, 290],
                [199, 289],
              ] as Point[],
            ]
          : []),
        ...(p.value('airBelow') > 0.06
          ? [
              [
                [174, 334],
                [184, 342],
                [199, 344],
              ] as Point[],
            ]
          : []),
        ...(p.value(`36${side}`) > 0.06
          ? [
              [
                [142, 298],
                [134, 308],
                [142, 320],
              ] as Point[],
            ]
          : []),
      ],
    ),
  };
}

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
function longHair(p: Posed): string {
  const side = (half: Half) =>
    HAIR_LONG.map((point): Point => {
      const own = half === 'L' ? point : flip(point);
      const [x, y] = turnedOutline(p.head, own);
      const hangs = clamp((own[1] - 330) / 120);
      return [between(x, own[0], hangs), between(y, own[1], hangs)];
    });
  return ringThrough([...side('L'), ...side('R').slice(1).toReversed()]);
}

/** Short hair: between the crown and the hairline. */
function shortHair(outline: readonly Point[], head: Turned): string {
  const top = outline.filter((_, i) => (HEAD_POINTS[i]?.[1] ?? 500) <= 186);
  // The outline begins at the crown and goes round by the right.
  const half = Math.ceil(top.length / 2);
  const over = [...top.slice(half), ...top.slice(0, half)];
  const edge = HAIRLINE.map((point) => turned(head, point, depthAt(point)));
  return ringThrough([...over, ...edge.toReversed()]);
}

/** A circle of the eye, cut by its lids. */
function round(eye: Eye, r: number, place: (points: Point[]) => Point[]): string {
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
function edgeAt(line: readonly Point[]): (x: number) => number {
  return (x) => {
    const i = line.findIndex(([px]) => px >= x);
    const [b, a] = [line[Math.max(1, i)], line[Math.max(1, i) - 1]];
    if (!a || !b) return 217;
    return between(a[1], b[1], clamp((x - a[0]) / (b[0] - a[0])));
  };
}

function tongueOf(p: Posed, mouth: Mouth): { inside: string; outside: string } {
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

/** Cords of the neck where it tightens or is long. */
function neckLines(p: Posed, left: readonly Point[], right: readonly Point[]): Drawn {
  const much = clamp(
    Math.max(
      p.of('21', 'L'),
      p.of('21', 'R'),
      0.7 * p.value('53'),
      0.8 * p.value('51L'),
      0.8 * p.value('51R'),
    ),
  );
  if (much < 0.06) return { d: '', o: 0 };
  const line = (points: readonly Point[], side: Half): string => {
    const own = Math.max(
      p.of('21', side),
      0.7 * p.value('53'),
      0.8 * (side === 'L' ? p.value('51R') : p.value('51L')),
    );
    const [top, base] = [points[1], points[3]];
    if (own < 0.06 || !top || !base) return '';
    const toMiddle = side === 'L' ? 1 : -1;
    return lineThrough([
      [top[0] + toMiddle * 12, top[1] + 8],
      [between(top[0], 200, 0.45), between(top[1], 440, 0.5)],
      [200 - toMiddle * 8, 448],
    ]);
  };
  return { d: line(left, 'L') + line(right, 'R'), o: much };
}

/** The areas of the face in a pose: the patches of one half, and those of the middle. */
export function patchesOf(
  pose: Pose,
  only?: ReadonlySet<string>,
): { area: (typeof PATCHES)[number]['area']; left: string; right?: string }[] {
  const p = posed(pose);
  return PATCHES.filter(({ area }) => !only || only.has(area)).map(({ area, path, paired }) => {
    const body = BODY.has(area);
    const put = (side: Half) =>
      moved(path, (point) => {
        const own = side === 'L' ? point : flip(point);
        if (body) return p.onBody(own, own[0] < 200 ? 'L' : 'R');
        return turned(p.head, onSkin(p.skin, own), depthAt(own));
      });
    return { area, left: put('L'), ...(paired && { right: put('R') }) };
  });
}
const BODY: ReadonlySet<string> = new Set(['shoulders', 'chest', 'frontNeck', 'sideNeck']);

/** Where each point of a stroke is in a pose. */
export const placesOf = (
  pose: Pose,
  way: readonly FacePoint[],
  half: 'left' | 'right',
): Point[] => {
  const p = posed(pose);
  return way.map((point) => p.place(point, half === 'left' ? 'L' : 'R'));
};
export { dot };
