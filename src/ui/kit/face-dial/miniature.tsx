import { trackOfMove } from '@library/tracks';
import { memo } from 'react';
import { keyPose, MINIATURE_LINE, miniatureLines } from '@/core/face';
import type { Move, Variant } from '@/core/move';
import { MiniatureFrame } from './miniature-frame';

export interface MiniatureProps {
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
export const Miniature = memo(function Miniature(props: MiniatureProps) {
  const { move, variant, side, size, first } = props;
  const pose = keyPose(trackOfMove(move, variant), { side, first });
  const lines = miniatureLines(pose, size < SMALL ? MINIATURE_LINE : 0.8 * MINIATURE_LINE);
  return (
    <MiniatureFrame size={size}>
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
    </MiniatureFrame>
  );
});
