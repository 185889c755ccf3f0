import { useCallback, useRef } from 'react';
import { mix, type Pose } from '@/core/face';

/** How long a face takes to get where it is all at once, in ms. */
const GENTLE_MS = 700;
/** So much of a unit at once is a jump. */
const JUMP = 0.25;

/** A pose that never jumps: where the class goes to another place, the face goes there gently. */
export function useGentle(poseNow: () => Pose) {
  const latest = useRef(poseNow);
  latest.current = poseNow;
  const shown = useRef<Pose | null>(null);
  const from = useRef<{ pose: Pose; since: number } | null>(null);
  const gently = useCallback(() => {
    const pose = latest.current();
    const now = performance.now();
    const before = shown.current;
    const jumps =
      before && pose.units.some((much, i) => Math.abs(much - (before.units[i] ?? 0)) > JUMP);
    if (jumps && !from.current) from.current = { pose: before, since: now };
    const share = from.current ? (now - from.current.since) / GENTLE_MS : 1;
    if (!from.current || share >= 1) {
      from.current = null;
      shown.current = pose;
      return pose;
    }
    const eased = share * share * (3 - 2 * share);
    shown.current = { ...pose, units: mix(from.current.pose.units, pose.units, eased) };
    return shown.current;
  }, []);
  /** Whether it is on its way, also where the class stands. */
  const onItsWay = useCallback(() => from.current !== null, []);
  return { poseNow: gently, onItsWay };
}
