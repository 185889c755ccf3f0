import type { Area, FacePoint } from '../move';
import { eyeOf, round } from './eye';
import { depthAt, onSkin, turned, turnedOutline } from './field';
import { longHair, shortHair } from './hair';
import { lipEdges, mouthOf, penOf, tongueOf } from './mouth';
import { lineThrough, moved, type Point, ringThrough, straight } from './path';
import type { Pose } from './pose';
import { between, clamp, flip, type Half, HEAD_POINTS, type Posed, posed } from './posed';
import { both, type Drawn, half, most, neckLines, signsOf } from './signs';
import { HALF_LINES, MIDDLE_LINES, PATCHES } from './still';

/**
 * A pose as lines in the dial's box of 400 x 500: the one face of the product, moved. Left is the picture's left. It
 * is pure, and the mirror image of a pose is the mirror image of its lines.
 */

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
  'pen',
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

const HEAD_CENTRE: Point = [200, 226];
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
    const lower = line.map(([x, y], i): Point => [x, y + (thick[i] ?? 0)]).reverse();
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

  const tongue = tongueOf(p, mouth);
  const teethY = Math.min(mouth.upperInner + 6, mouth.lowerInner);
  const inside = ringThrough(inFace([...edges.upperIn, ...edges.lowerIn.slice(1, -1).reverse()]));
  const lip = (outer: Point[], inner: Point[]) =>
    ringThrough(inFace([...outer, ...inner.slice(1, -1).reverse()], 4));
  const isOpen = mouth.open > 1.2;
  const nose = moved(MIDDLE_LINES.nose, (point) => p.at(point, 'L', 16));
  const shoulders = ringThrough([
    ...leftNeck,
    ...[...bottom].reverse(),
    ...[...rightNeck].reverse(),
  ]);

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
                  .reverse(),
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
              onEye([...eyes[side].upper, ...eyes[side].lower.slice(1, -1).reverse()], side),
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
    pen: penOf(p, edges.upper),
    ...signsOf(p, eyes),
  };
}

/** The areas of the face in a pose: the patches of one half, and those of the middle. */
export function patchesOf(
  pose: Pose,
  only?: ReadonlySet<string>,
): { area: Area; left: string; right?: string }[] {
  const p = posed(pose);
  return PATCHES.filter(({ area }) => !only || only.has(area)).map(({ area, path, paired }) => {
    const body = BODY.has(area);
    if (area === 'mouth') return { area, left: roundLips(p) };
    const put = (side: Half) =>
      moved(path, (point) => {
        const own = side === 'L' ? point : flip(point);
        if (body) return p.onBody(own, own[0] < 200 ? 'L' : 'R');
        return turned(p.head, onSkin(p.skin, own), depthAt(own));
      });
    return { area, left: put('L'), ...(paired && { right: put('R') }) };
  });
}

/** How far the area of the mouth goes beyond the lips: it follows them, so that an open mouth has no beard of colour. */
const ROUND_LIPS = 6;

function roundLips(p: Posed): string {
  const mouth = mouthOf(p);
  const { upper, lower } = lipEdges(mouth);
  const middle: Point = [
    (mouth.left[0] + mouth.right[0]) / 2,
    (mouth.upperOuter + mouth.lowerOuter) / 2,
  ];
  const ring = [...upper, ...lower.slice(1, -1).reverse()].map(([x, y]): Point => {
    const [dx, dy] = [x - middle[0], y - middle[1]];
    const much = 1 + ROUND_LIPS / Math.max(1, Math.hypot(dx, dy));
    return [middle[0] + dx * much, middle[1] + dy * much];
  });
  return ringThrough(ring.map((point) => turned(p.head, point, depthAt(point))));
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
