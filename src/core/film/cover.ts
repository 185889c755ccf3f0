import { faceLines, STILL, svgLines } from '../face';
import { fillOf } from '../outline';
import type { Worded } from '../take-away';
import { type Letters, LOOKS, svg, words } from './frame';

/** The picture of a class for players of sound: its dial, with what the class works on, and its name. */

/** In px. */
const SIZE = 600;
const FACE = { x: 140, y: 36, width: 320, height: 400 };
const NAME = { x: 40, y: 496, width: SIZE - 80, size: 40, lines: 2 };

/** @returns an SVG document of 600 by 600 px */
export function coverSvg({ score, document }: Worded, letters: Letters): string {
  const { paper, ink, accent, face: colours } = LOOKS.day;
  const moves = new Map(document.moves.map((m) => [m.id, m]));
  const lines = faceLines(STILL, {
    colours,
    areas: { fill: fillOf(score, { moves }), colour: accent },
  });
  const { x, y, width, height } = FACE;
  return svg(
    { width: SIZE, height: SIZE },
    [
      `<rect width="${SIZE}" height="${SIZE}" fill="${paper}"/>`,
      `<svg x="${x}" y="${y}" width="${width}" height="${height}" viewBox="0 0 400 500"><g fill="none" stroke="${ink}" stroke-linecap="round" stroke-linejoin="round">${svgLines(lines)}</g></svg>`,
      words(score.name, { ...NAME, font: 'strong', colour: ink }, letters),
    ].join(''),
  );
}
