import { useMemo, useRef } from 'react';
import { type Plan, placedSegments } from '@/core/class';
import { actsOfScore, keyPose, type Pose, poseAt, STILL, standing } from '@/core/face';
import type { Move } from '@/core/move';
import type { Score } from '@/core/score';
import { type MovingFaceProps, useTracks } from '../kit/face-dial';
import type { Rehearsal } from './use-rehearsal';

export interface LookedAt {
  plan: Plan;
  score: Score;
  moves: readonly Move[];
  /** Id of the segment that is selected first. */
  selected: string | undefined;
  rehearsal: Rehearsal;
}

/** What the face in Compose shows: the class as it is rehearsed, else the segment that is selected. */
export function useLookedAt(of: LookedAt): Pick<MovingFaceProps, 'poseNow' | 'running' | 'still'> {
  const { plan, score, moves, selected, rehearsal } = of;
  const tracks = useTracks(useMemo(() => new Map(moves.map((m) => [m.id, m])), [moves]));
  const { on, playing, atMs, speed } = rehearsal;
  const acts = useMemo(() => (on ? actsOfScore(score, tracks) : []), [on, score, tracks]);
  const looked = useRef({ atMs, at: 0 });
  if (looked.current.atMs !== atMs) looked.current = { atMs, at: performance.now() };
  const indexAt = (ms: number) => acts.findIndex(({ step }) => ms < step.startMs + step.durationMs);
  const chosen = useMemo((): Pose => {
    const segment = placedSegments(plan).find((p) => p.segment.id === selected)?.segment;
    const track = segment && tracks(segment.move, segment.variant);
    return track ? keyPose(track) : STILL;
  }, [plan, selected, tracks]);
  const idle = useMemo(() => ({ poseNow: () => chosen, running: false, still: chosen }), [chosen]);
  const index = on ? indexAt(atMs) : -1;
  const still = useMemo(() => standing(acts, index), [acts, index]);
  if (!on) return idle;
  const poseNow = () => {
    const gone = playing ? (performance.now() - looked.current.at) * speed : 0;
    const ms = atMs + gone;
    const now = indexAt(ms);
    return poseAt(acts, now, ms - (acts[now]?.step.startMs ?? 0));
  };
  return { poseNow, running: playing, still };
}
