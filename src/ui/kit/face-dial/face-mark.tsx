import { trackOfMove } from '@library/tracks';
import { memo } from 'react';
import { geometry, handsIn, keyPose, PARTS, STILL, STYLES, VIEW_BOX } from '@/core/face';
import type { Move, Variant } from '@/core/move';
import { lineOf } from './face-dial';
import { Part } from './figure';

export interface FaceMarkProps {
  move: Move;
  variant?: Variant;
  /** On which side it is shown, where it has one. */
  side?: 'left' | 'right';
  /** Height in px. */
  size: number;
  /** Before the work, at its first key, instead of where its effort is greatest. */
  first?: boolean;
}

/** A still picture of a move, in few lines: what it looks like where its effort is greatest. */
export const FaceMark = memo(function FaceMark(props: FaceMarkProps) {
  const { size } = props;
  const { move, variant, side, first } = props;
  const pose = keyPose(trackOfMove(move, variant), { side, first });
  const drawing = geometry(pose);
  const line = lineOf(Math.min(size, 60)) * (size < 60 ? 1 : 0.8);
  const hands = pose === STILL ? [] : handsIn(pose);
  const names = PARTS.filter(
    (name) => !STYLES[name].fine && name !== 'shoulders' && drawing[name].d,
  );
  const hand = (behind: boolean) =>
    hands
      .filter((h) => h.behind === behind)
      .map(({ hand: which, arm, palm, fingers }) => {
        const digits = fingers.map((f) => f.d).join('');
        const width = fingers[0]?.width ?? 0;
        return (
          <g key={which}>
            <path d={arm.d} strokeWidth={arm.width + 2 * line} />
            <path d={palm + digits} strokeWidth={width + 1.6 * line} />
            <path d={arm.d} strokeWidth={arm.width} stroke="var(--face-hand)" />
            <path d={digits} strokeWidth={width} stroke="var(--face-hand)" />
            <path
              d={palm}
              fill="var(--face-hand)"
              strokeWidth={width * 0.7}
              stroke="var(--face-hand)"
            />
          </g>
        );
      });
  return (
    <svg
      viewBox={VIEW_BOX}
      height={size}
      width={size * 0.8}
      aria-hidden
      className="face shrink-0"
      fill="none"
      stroke="currentColor"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {hand(true)}
      {names.map((name) => (
        <Part key={name} name={name} drawing={drawing} line={line} />
      ))}
      {hand(false)}
    </svg>
  );
});
