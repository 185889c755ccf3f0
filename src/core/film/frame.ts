import {
  FACE_INK,
  FACE_SKIN,
  type FaceColours,
  faceLines,
  PAPER,
  placesOf,
  svgLines,
} from '../face';
import type { Score } from '../score';
import { FILM_SIZES, type FilmLook, type FilmOptions, type FilmShape } from './options';
import type { Scene } from './scene';

/** How a moment of a class is laid out in a film: one picture that stands for a second or so, and the face in it. */

export type Font = 'text' | 'strong' | 'title';

/** What knows the letters of the fonts. Sizes and widths in px. */
export interface Letters {
  width: (text: string, font: Font, size: number) => number;
  /** The outline of a line of text, its foot at nought. */
  outline: (text: string, font: Font, size: number) => string;
}

interface Colours {
  paper: string;
  ink: string;
  quiet: string;
  pale: string;
  work: string;
  accent: string;
  /** What is said: to be read, so it stands out from the paper. */
  said: string;
  way: string;
  face: FaceColours;
}

export const LOOKS: Record<FilmLook, Colours> = {
  day: {
    paper: '#fcf8f0',
    ink: '#2a2033',
    quiet: '#5f5570',
    pale: '#e4d9c7',
    work: '#1f6f6b',
    accent: '#e29a3a',
    said: '#1f6f6b',
    way: '#1f6f6b',
    face: {
      ...PAPER,
      [FACE_INK]: '#2a2033',
      [FACE_SKIN]: '#fcf8f0',
      'var(--face-white)': '#fffdf8',
    },
  },
  night: {
    paper: '#1e1626',
    ink: '#fbf3e4',
    quiet: '#c9bccf',
    pale: '#3d3149',
    work: '#8fd3cb',
    accent: '#f2ab4c',
    said: '#f2ab4c',
    way: '#8fd3cb',
    face: {
      [FACE_INK]: '#fbf3e4',
      [FACE_SKIN]: '#1e1626',
      'var(--face-lip)': '#a9645a',
      'var(--face-inside)': '#0d070e',
      'var(--face-white)': '#fbf3e4',
      'var(--face-iris)': '#8a76a3',
      'var(--face-pupil)': '#1e1626',
      'var(--face-tongue)': '#b3585c',
      'var(--face-pen)': '#3f7fa0',
      'var(--face-hair)': '#5b4436',
      'var(--face-hand)': '#5b4550',
    },
  },
};

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Where words stand: the foot of the first line, and how many lines there may be. */
interface Place {
  x: number;
  y: number;
  width: number;
  size: number;
  lines: number;
}

interface Layout {
  face: Box;
  /** Which side, and at its end which round. */
  top: Place;
  countdown: { x: number; y: number; size: number };
  doing: number;
  move: Place;
  cue: Place;
  next: Place;
  ribbon: Box;
  caution: Place;
}

const LAYOUTS: Record<FilmShape, Layout> = {
  wide: {
    face: { x: 40, y: 24, width: 464, height: 580 },
    top: { x: 560, y: 72, width: 680, size: 28, lines: 1 },
    countdown: { x: 556, y: 226, size: 168 },
    doing: 30,
    move: { x: 560, y: 296, width: 680, size: 42, lines: 2 },
    cue: { x: 560, y: 404, width: 680, size: 38, lines: 4 },
    next: { x: 560, y: 604, width: 680, size: 26, lines: 1 },
    ribbon: { x: 40, y: 632, width: 1200, height: 22 },
    caution: { x: 40, y: 682, width: 1200, size: 17, lines: 2 },
  },
  upright: {
    face: { x: 120, y: 76, width: 480, height: 600 },
    top: { x: 40, y: 54, width: 640, size: 28, lines: 1 },
    countdown: { x: 38, y: 806, size: 144 },
    doing: 30,
    move: { x: 40, y: 872, width: 640, size: 40, lines: 2 },
    cue: { x: 40, y: 976, width: 640, size: 36, lines: 4 },
    next: { x: 40, y: 1164, width: 640, size: 26, lines: 1 },
    ribbon: { x: 40, y: 1186, width: 640, height: 20 },
    caution: { x: 40, y: 1230, width: 640, size: 16, lines: 3 },
  },
};
const LINE_HEIGHT = 1.2;

/** Where the face stands in a film, in px. */
export const faceBox = ({ shape }: FilmOptions): Box => LAYOUTS[shape].face;

/** A text in lines that fit; what does not fit into the last one is cut with an ellipsis. */
export function linesOf(
  text: string,
  { font, size, width, lines: most }: { font: Font; size: number; width: number; lines: number },
  letters: Letters,
): string[] {
  const fits = (line: string) => letters.width(line, font, size) <= width;
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && fits(`${last} ${word}`)) lines.splice(-1, 1, `${last} ${word}`);
    else lines.push(word);
  }
  const cut = (line: string, always: boolean) => {
    let [head, end] = [line, always ? ' …' : ''];
    while (head && !fits(head + end)) [head, end] = [[...head].slice(0, -1).join(''), '…'];
    return head + end;
  };
  return lines.slice(0, most).map((line, i) => cut(line, i === most - 1 && lines.length > most));
}

/** How a film is drawn that is always the same. */
export interface Still {
  options: FilmOptions;
  score: Pick<Score, 'steps' | 'totalMs'>;
  /** Stands at the foot of every picture. */
  caution: string;
  letters: Letters;
  /** Marks that a test finds in the picture: where the face is, and which step it is. */
  marks?: boolean;
}

export const svg = (
  { width, height }: { width: number; height: number },
  within: string,
  box = '',
) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"${box}>${within}</svg>`;
const rect = ({ x, y, width, height }: Box, fill: string, more = '') =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${fill}"${more}/>`;
const rounded = (n: number) => Math.round(n * 10) / 10;

/** Marks of a test: their colours are no look's. */
export const FACE_MARK = '#ff00ff';
export const STEP_MARKS = ['#00ff00', '#0000ff'] as const;
/** Half as wide as the mark of a step; that of the face is as wide in the dial's box. */
const MARK = 8;
export const STEP_MARK: Box = { x: 0, y: 0, width: 2 * MARK, height: 2 * MARK };
/** What a test finds the face by. */
export const MARKED = 'chin';

/** Words at a place, as outlines. */
export const words = (
  text: string,
  { font, colour, ...place }: Place & { font: Font; colour: string },
  letters: Letters,
): string =>
  linesOf(text, { ...place, font }, letters)
    .map((line, i) => {
      const y = rounded(place.y + i * place.size * LINE_HEIGHT);
      const d = letters.outline(line, font, place.size);
      return `<path transform="translate(${place.x} ${y})" d="${d}" fill="${colour}"/>`;
    })
    .join('');

/** Tells apart what stands: it changes once a second, and with what is said. */
export const stillKey = ({ sinceMs, cue }: Scene): string => `${sinceMs} ${cue}`;

/** All of a picture but the face, as SVG: the same for the same key. */
export function stillSvg(scene: Scene, of: Still): string {
  const { options, caution, letters } = of;
  const layout = LAYOUTS[options.shape];
  const colours = LOOKS[options.look];
  const set = (text: string, place: Place, font: Font, colour: string) =>
    words(text, { ...place, font, colour }, letters);
  const { top, countdown } = layout;
  const seconds = String(scene.countdown);
  const roundWide = letters.width(scene.round, 'text', top.size);
  const beside = countdown.x + letters.width(seconds, 'title', countdown.size) + 24;
  const whole = { ...FILM_SIZES[options.shape], x: 0, y: 0 };
  return svg(
    whole,
    [
      rect(whole, colours.paper),
      set(scene.side, { ...top, width: top.width - roundWide - 20 }, 'text', colours.quiet),
      set(
        scene.round,
        { ...top, x: rounded(top.x + top.width - roundWide), width: roundWide + 1 },
        'text',
        colours.quiet,
      ),
      set(seconds, { ...countdown, width: top.width, lines: 1 }, 'title', colours.ink),
      set(
        scene.doing,
        {
          x: rounded(beside),
          y: countdown.y,
          size: layout.doing,
          width: top.x + top.width - beside,
          lines: 1,
        },
        'text',
        colours.quiet,
      ),
      set(scene.move, layout.move, 'strong', colours.ink),
      set(scene.cue, layout.cue, 'strong', colours.said),
      set(scene.next, layout.next, 'text', colours.quiet),
      ribbon(scene.sinceMs, of.score, layout.ribbon, colours),
      set(caution, layout.caution, 'text', colours.quiet),
      of.marks ? rect(STEP_MARK, STEP_MARKS[scene.index % 2] ?? '') : '',
    ].join(''),
  );
}

/** The class as one line of time: work stands out, all else is pale, and a mark says where it is. */
function ribbon(ms: number, { steps, totalMs }: Still['score'], box: Box, colours: Colours) {
  const at = (time: number) => rounded(box.x + (box.width * time) / totalMs);
  const bars = steps
    .filter(({ kind }) => kind === 'work')
    .map(({ startMs, durationMs }) => {
      const x = at(startMs);
      const width = Math.max(1, rounded(at(startMs + durationMs) - x - 1));
      return rect({ ...box, x, width }, colours.work);
    });
  const mark = { x: rounded(at(ms) - 2), y: box.y - 5, width: 4, height: box.height + 10 };
  return rect(box, colours.pale, ' rx="6"') + bars.join('') + rect(mark, colours.accent);
}

/** The face of a picture alone, as SVG of the size of its box. */
export function faceSvg(scene: Scene, { options, marks }: Still): string {
  const { ink, paper, accent, way, face: colours } = LOOKS[options.look];
  const box = LAYOUTS[options.shape].face;
  const lines = faceLines(scene.pose, {
    colours,
    areas: { fill: scene.areas, colour: accent },
    halves: scene.halves,
    strokes: { ways: scene.strokes, colour: way },
    timer: { share: scene.share, colour: accent },
  });
  const turned = options.facing ? ' transform="matrix(-1 0 0 1 400 0)"' : '';
  const [place] = marks ? placesOf(scene.pose, [MARKED], 'left') : [];
  const mark = place
    ? `<circle cx="${place[0]}" cy="${place[1]}" r="${MARK}" fill="${FACE_MARK}" stroke="none"/>`
    : '';
  return svg(
    box,
    `${rect({ x: 0, y: 0, width: 400, height: 500 }, paper)}<g fill="none" stroke="${ink}" stroke-linecap="round" stroke-linejoin="round"${turned}>${svgLines(lines)}${mark}</g>`,
    ' viewBox="0 0 400 500"',
  );
}
