import { memo } from 'react';
import { type Drawing, FACE_INK, type HandDrawing, type PartName, STYLES } from '@/core/face';

/** The pieces of a face as elements. Each stays as it is while the time of a class goes on and its pose does not change. */

interface PartProps {
  name: PartName;
  drawing: Drawing;
  line: number;
}

export const Part = memo(function Part({ name, drawing, line }: PartProps) {
  const { width, opacity = 1, fill = 'none', stroke = FACE_INK } = STYLES[name];
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
});

/** Fingers are few; a hand that has less shows nothing for the rest. */
const FINGERS = [0, 1, 2, 3, 4] as const;

interface HandProps {
  hand?: HandDrawing;
  line: number;
  slot: string;
}

/** One hand: its outline first, then its fingers one by one, then the palm that joins them. */
export const Hand = memo(function Hand({ hand, line, slot }: HandProps) {
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
});

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
