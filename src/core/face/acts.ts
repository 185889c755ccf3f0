import type { Score, Step } from '../score';
import type { Act, Track } from './track';

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
