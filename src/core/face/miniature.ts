import { geometry, PARTS, type PartName } from './geometry';
import { type HandDrawing, handsIn } from './hands';
import { type FaceLine, svgLines } from './lines';
import { type Pose, STILL } from './pose';
import { FACE_INK, STYLES } from './styles';

/** Miniatures: still pictures of moves in few and broad lines, as they stand small in lists. */

const HAND = 'var(--face-hand)';
/** Shoulders would fill the foot of so small a picture. */
const NAMES = PARTS.filter((name) => !STYLES[name].fine && name !== 'shoulders');
/** Hair is there only where one chose it; the stylesheet says which. */
const SHOWN: Partial<Record<PartName, string>> = {
  hairShort: 'var(--face-short-hair, none)',
  hairLong: 'var(--face-long-hair, none)',
};

function handLines({ arm, palm, fingers }: HandDrawing, line: number): FaceLine[] {
  const digits = fingers.map((f) => f.d).join('');
  const width = fingers[0]?.width ?? 0;
  return [
    { d: arm.d, width: arm.width + 2 * line },
    { d: palm + digits, width: width + 1.6 * line },
    { d: arm.d, width: arm.width, stroke: HAND },
    { d: digits, width, stroke: HAND },
    { d: palm, fill: HAND, width: width * 0.7, stroke: HAND },
  ];
}

/**
 * The lines of a miniature, the hindmost first, in the box of 400 by 500.
 * @param line how wide a usual line is, in the box's units
 */
export function miniatureLines(pose: Pose, line: number): FaceLine[] {
  const drawing = geometry(pose);
  const hands = pose === STILL ? [] : handsIn(pose);
  const some = (behind: boolean) =>
    hands.filter((h) => h.behind === behind).flatMap((h) => handLines(h, line));
  const parts = NAMES.map((name): FaceLine => {
    const { width, opacity = 1, fill, stroke = FACE_INK } = STYLES[name];
    const { d, o = 1 } = drawing[name];
    return {
      d,
      fill,
      stroke,
      width: line * width,
      opacity: opacity * o === 1 ? undefined : opacity * o,
      display: SHOWN[name],
    };
  });
  return [...some(true), ...parts, ...some(false)].filter(({ d }) => d !== '');
}

/** How wide the lines of miniatures in a list are. */
export const MINIATURE_LINE = 9;

/** Nobody sees a tenth of a unit where four hundred are fifty px wide. */
const coarse = (d: string): string =>
  d.replace(/-?\d+\.\d+/g, (n) => String(Math.round(Number(n))));

/**
 * Miniatures of many moves as one document in SVG, each under the id of its move, for `<use>` of a page: colours and hair
 * come from where they are used.
 */
export function miniatureSheet(poses: ReadonlyMap<string, Pose>): string {
  const drawn = [...poses].map(([id, pose]) => {
    const lines = miniatureLines(pose, MINIATURE_LINE).map((line) => ({
      ...line,
      d: coarse(line.d),
    }));
    return `<g id="${id}">${svgLines(lines)}</g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg">${drawn.join('')}</svg>`;
}
