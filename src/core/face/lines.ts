import type { Area, Stroke } from '../move';
import { type Drawing, geometry, PARTS, type PartName, patchesOf } from './geometry';
import { type HandDrawing, handsIn } from './hands';
import { lineThrough, type Point, sampled } from './path';
import type { Pose } from './pose';
import { strokePath } from './strokes';
import { BEHIND, type FaceColour, STYLES } from './styles';

/** A face as lines with their colours, for pictures that stand alone: on paper, in a film. */

export type FaceColours = Record<FaceColour | 'var(--face-hand)', string>;

/** One line of a picture, in the dial's box of 400 by 500: what it is filled and drawn with, and how wide. */
export interface FaceLine {
  d: string;
  fill?: string | undefined;
  /** Of the fill, 0 to 1. */
  fillOpacity?: number | undefined;
  /** The ink, where it is nothing else; `none` where it is not drawn. */
  stroke?: string | undefined;
  width?: number | undefined;
  /** Of the stroke, 0 to 1. */
  opacity?: number | undefined;
  /** Whether it is shown, where a stylesheet says so; always where nothing stands here. */
  display?: string | undefined;
}

/** What a picture shows besides the pose. */
export interface Shown {
  colours: FaceColours;
  /** How strongly each area is filled, 0 to 1, and with what. */
  areas?: { fill: Partial<Record<Area, number>>; colour: string } | undefined;
  /** The halves that are filled and have strokes. */
  halves?: readonly ('left' | 'right')[];
  /** Ways of strokes and directions of pulls. */
  strokes?: { ways: readonly Stroke[]; colour: string } | undefined;
  /** How much of the outline has run as a timer, 0 to 1. */
  timer?: { share: number; colour: string } | undefined;
}

const LINE = 3.4;
const TIMER_WIDTH = 11;
const WAY_WIDTH = 6;
const BOTH = ['left', 'right'] as const;
/** Where nothing was chosen the face is drawn without hair, as on a screen. */
const HAIR: ReadonlySet<PartName> = new Set(['hairLong', 'hairShort']);
const DRAWN: readonly PartName[] = PARTS.filter((part) => !HAIR.has(part));
const isBehind = (part: PartName) => BEHIND.includes(part);

const handLines = ({ arm, palm, fingers, nails }: HandDrawing, hand: string): FaceLine[] => [
  { d: arm.d, width: arm.width + 2 * LINE },
  { d: palm, width: 2 * LINE },
  { d: arm.d, stroke: hand, width: arm.width },
  ...fingers.flatMap(({ d, width }) => [
    { d, width: width + 1.7 * LINE },
    { d, stroke: hand, width },
  ]),
  { d: palm, fill: hand, stroke: 'none' },
  { d: arm.d, stroke: hand, width: arm.width },
  { d: nails, width: 0.5 * LINE },
];

function partLine(drawing: Drawing, name: PartName, colours: FaceColours): FaceLine {
  const { width, opacity = 1, fill, stroke } = STYLES[name];
  const { d, o = 1 } = drawing[name];
  const thinned = opacity * o;
  return {
    d,
    fill: fill && colours[fill],
    stroke,
    width: LINE * width,
    opacity: thinned === 1 ? undefined : thinned,
  };
}

/** How strongly an area is filled on every screen, of how much it works. */
export const fillOpacity = (strength: number): number =>
  0.1 + 0.8 * Math.min(1, Math.max(0, strength));

function areaLines(pose: Pose, { areas, halves = BOTH }: Shown): FaceLine[] {
  if (!areas) return [];
  const { fill, colour } = areas;
  const working = Object.entries(fill).flatMap(([area, much]) => (much > 0 ? [area] : []));
  return patchesOf(pose, new Set(working)).flatMap(({ area, left, right }) => {
    const paths = right === undefined ? [left] : halves.map((h) => (h === 'left' ? left : right));
    const more = { fill: colour, stroke: 'none', fillOpacity: fillOpacity(fill[area] ?? 0) };
    return paths.map((d) => ({ d, ...more }));
  });
}

/** The beginning of a closed path of curves, by its length. @param share 0 to 1 */
export function beginningOf(ring: string, share: number): string {
  const points = sampled(ring, 4);
  const [first] = points;
  if (!first || share <= 0) return '';
  const closed = [...points, first];
  const long = (a: Point, b: Point) => Math.hypot(b[0] - a[0], b[1] - a[1]);
  const lengths = closed.map((point, i) => long(closed[i - 1] ?? point, point));
  let left = Math.min(1, share) * lengths.reduce((sum, ms) => sum + ms, 0);
  const run: Point[] = [first];
  for (let i = 1; i < closed.length && left > 0; i++) {
    const [a = first, b = first, length = 0] = [closed[i - 1], closed[i], lengths[i]];
    const much = length > 0 ? Math.min(1, left / length) : 1;
    run.push([a[0] + (b[0] - a[0]) * much, a[1] + (b[1] - a[1]) * much]);
    left -= length;
  }
  return lineThrough(run);
}

/** The lines of a pose, the hindmost first, as the dial of a screen draws them. */
export function faceLines(pose: Pose, shown: Shown): FaceLine[] {
  const { colours, strokes, timer, halves = BOTH } = shown;
  const drawing = geometry(pose);
  const hands = handsIn(pose);
  const parts = (behind: boolean) =>
    DRAWN.filter((name) => isBehind(name) === behind).map((n) => partLine(drawing, n, colours));
  const some = (behind: boolean) =>
    hands
      .filter((h) => h.behind === behind)
      .flatMap((h) => handLines(h, colours['var(--face-hand)']));
  const run = timer && beginningOf(drawing.head.d, timer.share);
  const lines = [
    ...some(true),
    ...parts(true),
    ...areaLines(pose, shown),
    ...(run ? [{ d: run, stroke: timer.colour, width: TIMER_WIDTH }] : []),
    ...parts(false),
    ...(strokes
      ? [
          {
            d: strokePath(pose, strokes.ways, halves),
            stroke: strokes.colour,
            width: WAY_WIDTH,
          },
        ]
      : []),
    ...some(false),
  ];
  return lines.filter(({ d, opacity }) => d !== '' && opacity !== 0);
}

const attributes = (of: Record<string, string | number | undefined>): string =>
  Object.entries(of)
    .flatMap(([name, value]) => (value === undefined ? [] : [` ${name}="${value}"`]))
    .join('');

/** Lines as elements of SVG, within something that says the ink, round ends and no fill. */
export const svgLines = (lines: readonly FaceLine[]): string =>
  lines
    .map(
      ({ d, fill, fillOpacity, stroke, width, opacity, display }) =>
        `<path d="${d}"${attributes({ fill, 'fill-opacity': fillOpacity, stroke, 'stroke-width': width, 'stroke-opacity': opacity, display })}/>`,
    )
    .join('');
