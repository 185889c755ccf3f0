import { trackOfMove } from '@library/tracks';
import { memo } from 'react';
import { keyPose, MARK_LINE, markLines } from '@/core/face';
import type { Move, Variant } from '@/core/move';
import { MarkFrame } from './mark-frame';

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

/** Below this height in px the lines are broader. */
const SMALL = 60;

/** A still picture of a move, in few lines: what it looks like where its effort is greatest. */
export const FaceMark = memo(function FaceMark(props: FaceMarkProps) {
  const { move, variant, side, size, first } = props;
  const pose = keyPose(trackOfMove(move, variant), { side, first });
  const lines = markLines(pose, size < SMALL ? MARK_LINE : 0.8 * MARK_LINE);
  return (
    <MarkFrame size={size}>
      {lines.map(({ d, width, fill, stroke, opacity, display }, i) => (
        <path
          // biome-ignore lint/suspicious/noArrayIndexKey: a still picture keeps its lines.
          key={i}
          d={d}
          fill={fill}
          stroke={stroke}
          strokeWidth={width}
          strokeOpacity={opacity}
          display={display}
        />
      ))}
    </MarkFrame>
  );
});
