import { type FaceColours, type FaceLine, faceLines, svgLines } from './lines';
import type { Pose } from './pose';
import { FACE_INK, FACE_SKIN } from './styles';

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
/** The colours of a face on paper. */
export const PAPER: FaceColours = {
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
  'var(--face-hand)': '#f4e5d4',
};

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

/** The lines of a pose as they are drawn on paper, the hindmost first. */
export const paperLines = (pose: Pose): FaceLine[] => faceLines(pose, { colours: PAPER });

const poseSvg = (pose: Pose): string => svgLines(paperLines(pose));

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
