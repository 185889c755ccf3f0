import { geometry, PARTS, type PartName } from './geometry';
import { type HandDrawing, handsIn } from './hands';
import type { Pose } from './pose';
import { FACE_INK, FACE_SKIN, type FaceColour, STYLES } from './styles';

/** Still pictures to take away: a sheet in the open format SVG that stands alone, without a style sheet or a font. */

export interface SheetFigure {
  name: string;
  /** What stands below the name, such as the dose. */
  note?: string;
  /** One picture, or two side by side. */
  poses: readonly Pose[];
}

/** What is drawn with on paper. */
export const INK = '#231a35';
const HAND = '#f4e5d4';
/** Colours on paper. */
const PAPER: Record<FaceColour, string> = {
  [FACE_INK]: INK,
  [FACE_SKIN]: '#ffffff',
  'var(--face-lip)': '#dca08c',
  'var(--face-inside)': '#5a2230',
  'var(--face-white)': '#ffffff',
  'var(--face-iris)': '#5b4a6e',
  'var(--face-pupil)': '#231a35',
  'var(--face-tongue)': '#d57f80',
  'var(--face-pen)': '#3f7fa0',
  'var(--face-hair)': '#5b4436',
};
const LINE = 3.4;
/** On paper the face is drawn as on a screen where nothing was chosen: without hair. */
const HAIR: ReadonlySet<PartName> = new Set(['hairLong', 'hairShort']);
const DRAWN: readonly PartName[] = PARTS.filter((part) => !HAIR.has(part));

const COLUMNS = 4;
/** Sizes in px: a picture is 4 wide to 5 high. */
const PICTURE = { width: 104, height: 130 };
const CELL = { width: 230, height: 196 };
const MARGIN = 20;
const HEADING = 44;
const FOOT = 28;
/** As many letters as stand in a line below a picture. */
const LETTERS = 34;

const NAMED: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

/** Text as it may stand in XML: control characters and halves of a pair are none. */
const written = (text: string): string =>
  text
    .replace(/[\p{Cc}\p{Cs}\uFFFE\uFFFF]/gu, ' ')
    .replace(/[&<>"]/g, (letter) => NAMED[letter] ?? letter);

const attributes = (of: Record<string, string | number | undefined>): string =>
  Object.entries(of)
    .flatMap(([name, value]) => (value === undefined ? [] : [` ${name}="${value}"`]))
    .join('');

/** One line of a picture on paper, in the dial's box of 400 by 500: what it is filled and drawn with, and how wide. */
export interface PaperLine {
  d: string;
  fill?: string | undefined;
  /** The ink, where it is nothing else; `none` where it is not drawn. */
  stroke?: string | undefined;
  width?: number | undefined;
  /** Of the stroke, 0 to 1. */
  opacity?: number | undefined;
}

const handLines = ({ arm, palm, fingers, nails }: HandDrawing): PaperLine[] => [
  { d: arm.d, width: arm.width + 2 * LINE },
  { d: palm, width: 2 * LINE },
  { d: arm.d, stroke: HAND, width: arm.width },
  ...fingers.flatMap(({ d, width }) => [
    { d, width: width + 1.7 * LINE },
    { d, stroke: HAND, width },
  ]),
  { d: palm, fill: HAND, stroke: 'none' },
  { d: arm.d, stroke: HAND, width: arm.width },
  { d: nails, width: 0.5 * LINE },
];

/** The lines of a pose as they are drawn on paper, the hindmost first. */
export function paperLines(pose: Pose): PaperLine[] {
  const drawing = geometry(pose);
  const hands = handsIn(pose);
  const parts = DRAWN.map((name): PaperLine => {
    const { width, opacity = 1, fill, stroke } = STYLES[name];
    const { d, o = 1 } = drawing[name];
    const thinned = opacity * o;
    return {
      d,
      fill: fill && PAPER[fill],
      stroke,
      width: LINE * width,
      opacity: thinned === 1 ? undefined : thinned,
    };
  });
  const some = (behind: boolean) => hands.filter((h) => h.behind === behind).flatMap(handLines);
  return [...some(true), ...parts, ...some(false)].filter(({ d }) => d !== '');
}

const poseSvg = (pose: Pose): string =>
  paperLines(pose)
    .map(
      ({ d, fill, stroke, width, opacity }) =>
        `<path d="${d}"${attributes({ fill, stroke, 'stroke-width': width, 'stroke-opacity': opacity })}/>`,
    )
    .join('');

/** Words in lines that fit below a picture; what does not fit in two is cut with an ellipsis. */
function linesOf(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= LETTERS)
      lines.splice(-1, 1, `${last} ${word}`);
    else lines.push(word);
  }
  const cut = (line: string) => (line.length > LETTERS ? `${line.slice(0, LETTERS - 1)}…` : line);
  const [first = '', second, more] = lines;
  if (second === undefined) return [cut(first)];
  return [cut(first), cut(more === undefined ? second : `${second} …`)];
}

function figureSvg({ name, note, poses }: SheetFigure, index: number): string {
  const left = MARGIN + (index % COLUMNS) * CELL.width;
  const top = HEADING + Math.floor(index / COLUMNS) * CELL.height;
  const middle = CELL.width / 2 - 5;
  const { width, height } = PICTURE;
  const pictures = poses.map((pose, i) => {
    const x = middle - (poses.length * width) / 2 + i * width;
    return `<svg x="${x}" y="0" width="${width}" height="${height}" viewBox="0 0 400 500">${poseSvg(pose)}</svg>`;
  });
  const lines = linesOf(name).map((line) => ({ line, weight: 'bold' }));
  if (note) lines.push({ line: linesOf(note)[0] ?? '', weight: 'normal' });
  const words = lines.map(
    ({ line, weight }, i) =>
      `<text x="${middle}" y="${height + 16 + 16 * i}" font-weight="${weight}">${written(line)}</text>`,
  );
  return `<g transform="translate(${left} ${top})">${pictures.join('')}<g fill="${INK}" stroke="none" text-anchor="middle" font-size="12">${words.join('')}</g></g>`;
}

/**
 * A sheet of still pictures with their names, four in a row.
 * @param title what stands above them
 * @param foot one line below them, such as which side is which
 * @returns a whole SVG document; lengths in px
 */
export function faceSheet(title: string, figures: readonly SheetFigure[], foot: string): string {
  const rows = Math.ceil(figures.length / COLUMNS);
  const width = 2 * MARGIN + Math.min(COLUMNS, Math.max(figures.length, 2)) * CELL.width;
  const height = HEADING + rows * CELL.height + FOOT;
  const line = (y: number, size: number, text: string) =>
    `<text x="${MARGIN}" y="${y}" font-size="${size}" fill="${INK}" stroke="none">${written(text)}</text>`;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="sans-serif" fill="none" stroke="${INK}" stroke-linecap="round" stroke-linejoin="round">`,
    `<title>${written(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="#ffffff" stroke="none"/>`,
    line(28, 18, title),
    ...figures.map(figureSvg),
    line(height - 10, 11, foot),
    '</svg>',
    '',
  ].join('\n');
}
