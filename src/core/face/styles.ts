import type { PartName } from './geometry';

/** How the lines of a face are drawn, apart from where they are. */

/** What a part is filled with; the stylesheet says which colour that is. */
export type FaceColour =
  | typeof FACE_SKIN
  | typeof FACE_INK
  | `var(--face-${'hair' | 'inside' | 'white' | 'tongue' | 'lip' | 'iris' | 'pupil' | 'pen'})`;

interface LineStyle {
  /** Of the line, as a share of the usual width. */
  width: number;
  opacity?: number;
  /** Filled instead of drawn, or both. */
  fill?: FaceColour;
  stroke?: 'none';
  /** Left out where the face is small. */
  fine?: true;
}

export const FACE_SKIN = 'var(--face-skin, var(--color-base-100))';
export const FACE_INK = 'currentColor';
const HAIR = 'var(--face-hair)';

export const STYLES: Record<PartName, LineStyle> = {
  // Hair is there only where one chose it; see the stylesheet.
  hairLong: { width: 1, fill: HAIR },
  hairShort: { width: 1, fill: HAIR },
  shoulders: { width: 0, fill: FACE_SKIN, stroke: 'none' },
  neck: { width: 1 },
  collarbones: { width: 0.8, opacity: 0.5, fine: true },
  neckLines: { width: 0.7, opacity: 0.5, fine: true },
  ears: { width: 1, fill: FACE_SKIN },
  head: { width: 1, fill: FACE_SKIN },
  hairline: { width: 0.6, opacity: 0.4, fine: true },
  mouthInside: { width: 0.4, fill: 'var(--face-inside)' },
  teeth: { width: 0, fill: 'var(--face-white)', stroke: 'none', fine: true },
  tongueBehind: { width: 0.4, fill: 'var(--face-tongue)', fine: true },
  upperLip: { width: 0.5, fill: 'var(--face-lip)', fine: true },
  lowerLip: { width: 0.5, fill: 'var(--face-lip)', fine: true },
  lipLine: { width: 0.8 },
  tongue: { width: 0.6, fill: 'var(--face-tongue)' },
  eyes: { width: 0, fill: 'var(--face-white)', stroke: 'none', fine: true },
  irises: { width: 0, fill: 'var(--face-iris)', stroke: 'none', fine: true },
  pupils: { width: 0, fill: 'var(--face-pupil)', stroke: 'none' },
  lids: { width: 1 },
  lowerLids: { width: 0.6, opacity: 0.6, fine: true },
  lashes: { width: 0.6, fine: true },
  brows: { width: 0.3, fill: FACE_INK },
  nose: { width: 0.8 },
  pen: { width: 0.8, fill: 'var(--face-pen)' },
  crowsFeet: { width: 0.7, fine: true },
  frown: { width: 0.7, fine: true },
  foreheadLines: { width: 0.7, fine: true },
  noseLines: { width: 0.7, fine: true },
  cheekLines: { width: 0.7, fine: true },
  smileLines: { width: 0.7, fine: true },
  hollows: { width: 0.8, fine: true },
  fullCheeks: { width: 0.8, fine: true },
  purseLines: { width: 0.7, fine: true },
  chinLines: { width: 0.7, fine: true },
  airLines: { width: 0.7, fine: true },
};

/** Those behind the areas and the timer, and those before them. */
export const BEHIND: readonly PartName[] = [
  'hairLong',
  'shoulders',
  'neck',
  'ears',
  'head',
  'hairShort',
];
