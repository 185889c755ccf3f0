import { type HandPose, MIRRORED, UNITS, type Unit, unitIndex } from '../move';

export type { HandForm, HandMotion, HandPose } from '../move';
export { handsOf, unitsOf } from '../move';

export interface Pose {
  /** How much of each unit, 0 to 1, in the order of `UNITS`. */
  units: readonly number[];
  hands: readonly HandPose[];
  /** How far the hands are along their way, 0 to 1, and round their circle, in turns. */
  along: number;
  round: number;
  /** How far the hands are there, from 0 (gone) to 1. */
  reach: number;
}

export const STILL: Pose = {
  units: UNITS.map(() => 0),
  hands: [],
  along: 0,
  round: 0,
  reach: 0,
};

export const amount = (pose: Pose, unit: Unit): number => pose.units[unitIndex(unit)] ?? 0;

const clamp = (n: number): number => Math.max(0, Math.min(1, n));

export const mirroredUnits = (units: readonly number[]): number[] =>
  MIRRORED.map((from) => units[from] ?? 0);

const OTHER = { left: 'right', right: 'left' } as const;
const otherHands = new WeakMap<readonly HandPose[], readonly HandPose[]>();

/** The same hands of the same pose are the same object, so that one sees at once that nothing changed. */
function mirroredHands(hands: readonly HandPose[]): readonly HandPose[] {
  const made =
    otherHands.get(hands) ?? hands.map((h) => ({ ...h, hand: OTHER[h.hand], half: OTHER[h.half] }));
  otherHands.set(hands, made);
  return made;
}

/** The same on the other side. */
export const mirrored = (pose: Pose): Pose => ({
  ...pose,
  units: mirroredUnits(pose.units),
  hands: mirroredHands(pose.hands),
});

export const mix = (a: readonly number[], b: readonly number[], t: number): number[] =>
  a.map((from, i) => clamp(from + ((b[i] ?? 0) - from) * t));
