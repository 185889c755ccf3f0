import type { Eye } from './eye';
import { lineThrough, type Point } from './path';
import { between, clamp, HALVES, type Half, type Posed } from './posed';

/** Short lines that tell what a face does: beside the eyes, on forehead, cheeks, lips, chin and neck. */

/** One line or shape, and how clearly it is seen. */
export interface Drawn {
  d: string;
  /** 0 to 1; nothing where it is absent. */
  o?: number;
}

/** Lines of one half at rest, moved with the skin. */
export const half = (p: Posed, points: readonly Point[], side: Half, lift = 0): Point[] =>
  points.map((point) => p.at(point, side, lift));

export const both = (make: (side: Half) => string): string => HALVES.map(make).join('');

/** The half whose signs are stronger gives how clearly they are seen; each half has its own length. */
export const most = (of: (side: Half) => number): number => Math.max(of('L'), of('R'), 0);

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

/** The signs of a pose. */
export function signsOf(p: Posed, eyes: Readonly<Record<Half, Eye>>) {
  const squeeze = (side: Half) => eyes[side].squeezed * (0.45 + 0.55 * eyes[side].closed);
  const forehead = (side: Half) =>
    ((p.of('1', side) + p.of('2', side)) / 2) * (1 - p.of('brace', side));
  return {
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
  } satisfies Record<string, Drawn>;
}

/** Cords of the neck where it tightens or is long. */
export function neckLines(p: Posed, left: readonly Point[], right: readonly Point[]): Drawn {
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
