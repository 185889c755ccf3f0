import type { Drawing, HandDrawing, PartName } from '@/core/face';

/** How the lines of a face are drawn, apart from where they are. */

interface LineStyle {
  /** Of the line, as a share of the usual width. */
  width: number;
  opacity?: number;
  /** Filled instead of drawn, or both. */
  fill?: string;
  stroke?: string;
  /** Left out where the face is small. */
  fine?: true;
}

const SKIN = 'var(--face-skin, var(--color-base-100))';
const INK = 'currentColor';
const HAIR = 'var(--face-hair)';

export const STYLES: Record<PartName, LineStyle> = {
  // Hair is there only where one chose it; see the stylesheet.
  hairLong: { width: 1, fill: HAIR },
  hairShort: { width: 1, fill: HAIR },
  shoulders: { width: 0, fill: SKIN, stroke: 'none' },
  neck: { width: 1 },
  collarbones: { width: 0.8, opacity: 0.5, fine: true },
  neckLines: { width: 0.7, opacity: 0.5, fine: true },
  ears: { width: 1, fill: SKIN },
  head: { width: 1, fill: SKIN },
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
  brows: { width: 0.3, fill: INK },
  nose: { width: 0.8 },
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

export function Part({ name, drawing, line }: { name: PartName; drawing: Drawing; line: number }) {
  const { width, opacity = 1, fill = 'none', stroke = INK } = STYLES[name];
  const { d, o = 1 } = drawing[name];
  return (
    <path
      data-part={name}
      d={d}
      fill={fill}
      stroke={stroke}
      strokeWidth={line * width}
      strokeOpacity={opacity * o}
    />
  );
}

/** Fingers are few; a hand that has less shows nothing for the rest. */
const FINGERS = [0, 1, 2, 3, 4] as const;

/** One hand: its outline first, then its fingers one by one, then the palm that joins them. */
export function Hand({ hand, line, slot }: { hand?: HandDrawing; line: number; slot: string }) {
  const skin = 'var(--face-hand)';
  const { arm, palm = '', fingers = [], nails = '' } = hand ?? {};
  const of = (i: number) => fingers[i] ?? { d: '', width: 1 };
  return (
    <g data-hand={slot}>
      <path data-piece="armLine" d={arm?.d ?? ''} strokeWidth={(arm?.width ?? 0) + 2 * line} />
      <path data-piece="palmLine" d={palm} strokeWidth={2 * line} />
      <path data-piece="arm" d={arm?.d ?? ''} stroke={skin} strokeWidth={arm?.width ?? 0} />
      {FINGERS.map((i) => (
        <g key={i}>
          <path data-piece={`line${i}`} d={of(i).d} strokeWidth={of(i).width + 1.7 * line} />
          <path data-piece={`finger${i}`} d={of(i).d} stroke={skin} strokeWidth={of(i).width} />
        </g>
      ))}
      <path data-piece="palm" d={palm} fill={skin} stroke="none" />
      <path data-piece="wrist" d={arm?.d ?? ''} stroke={skin} strokeWidth={arm?.width ?? 0} />
      <path data-piece="nails" d={nails} strokeWidth={0.5 * line} strokeOpacity={0.6} />
    </g>
  );
}

/** What a hand's pieces are, by name, for a face that moves. */
export function piecesOf(
  hand: HandDrawing | undefined,
  line: number,
): Record<string, { d: string; width: number }> {
  const { arm = { d: '', width: 0 }, palm = '', fingers = [], nails = '' } = hand ?? {};
  const pieces: Record<string, { d: string; width: number }> = {
    armLine: { d: arm.d, width: arm.width + 2 * line },
    palmLine: { d: palm, width: 2 * line },
    arm,
    palm: { d: palm, width: 0 },
    wrist: arm,
    nails: { d: nails, width: 0.5 * line },
  };
  for (const i of FINGERS) {
    const finger = fingers[i] ?? { d: '', width: 1 };
    pieces[`line${i}`] = { d: finger.d, width: finger.width + 1.7 * line };
    pieces[`finger${i}`] = finger;
  }
  return pieces;
}
