import type { Score, Step } from '../score';
import { type Pose, STILL } from './pose';
import { type Act, keyPose, poseAt, type Track } from './track';

/** The track of a move in a version; null where there is none. */
export type TrackOf = (moveId: string, variant?: Step['variant']) => Track | null;

/** Steps as a face plays them. Where `durationMs` says so, one has another length than planned. */
export function actsOf(
  steps: readonly Step[],
  trackOf: TrackOf,
  lengthOf: (index: number) => number = (i) => steps[i]?.durationMs ?? 0,
): Act[] {
  let at = 0;
  return steps.map((step, i) => {
    const durationMs = lengthOf(i);
    const startMs = at;
    at += durationMs;
    return { step: { ...step, startMs, durationMs }, track: trackOf(step.moveId, step.variant) };
  });
}

/** The acts of a whole score. */
export const actsOfScore = (score: Score, trackOf: TrackOf): Act[] => actsOf(score.steps, trackOf);

/** The one pose that stands for a step: of work its own, of what leads to it the same, else the face at rest. */
export function standing(acts: readonly Act[], index: number): Pose {
  const act = acts[index];
  if (!act?.track) return STILL;
  const { kind } = act.step;
  if (kind === 'rest') return STILL;
  if (kind === 'release') return poseAt(acts, index, act.step.durationMs / 2);
  const work = kind === 'work' ? act : acts[index + 1];
  if (!work?.track || work.step.kind !== 'work') return STILL;
  return keyPose(work.track, { side: work.step.side === 'right' ? 'right' : 'left' });
}
