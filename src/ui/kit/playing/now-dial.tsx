import { useMemo } from 'react';
import { actsOf, poseAt, standing } from '@/core/face';
import type { Move } from '@/core/move';
import { type Playback, playLengthMs, shownShare } from '@/core/run';
import type { Step } from '@/core/score';
import { MovingFace, type MovingFaceProps, useFacing, useTracks } from '../face-dial';
import { useMoves } from '../moves';

/** The dial: the head's outline fills as the hold runs, the areas in work glow. */
export function NowDial({ state, now }: { state: Playback; now: () => number }) {
  const moves = useMoves();
  const tracks = useTracks(moves);
  const [facing] = useFacing();
  const { queue, index, elapsedMs, at, status } = state;
  const acts = useMemo(
    () =>
      actsOf(
        queue.map((p) => p.step),
        tracks,
        (i) => (queue[i] ? playLengthMs(queue[i]) : 0),
      ),
    [queue, tracks],
  );
  const still = useMemo(() => standing(acts, index), [acts, index]);
  const running = status === 'running';
  const poseNow = () => poseAt(acts, index, elapsedMs + (running ? now() - at : 0));
  const current = queue[index];
  if (!current) return null;
  const working = current.step.kind === 'work';
  const progress = working ? shownShare(state.elapsedMs, playLengthMs(current)) : 0;
  return (
    <StepDial
      step={current.step}
      move={moves.get(current.step.moveId)}
      progress={progress}
      {...{ poseNow, running, still, facing }}
    />
  );
}

interface StepDialProps extends Pick<MovingFaceProps, 'poseNow' | 'running' | 'still' | 'facing'> {
  step: Step;
  move: Move | undefined;
  progress: number;
}

function StepDial({ step, move, progress, ...moving }: StepDialProps) {
  const working = step.kind === 'work';
  return (
    <MovingFace
      {...moving}
      size={440}
      className="h-auto max-h-full w-full"
      fill={move?.areas}
      side={working && (step.side === 'left' || step.side === 'right') ? step.side : 'both'}
      strokes={working ? move?.strokes : undefined}
      progress={progress}
    />
  );
}
