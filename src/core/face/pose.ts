import type { FacePoint } from '../move';
import { FACE_POINTS } from '../move';
import { indexOf, isPaired, isWay, MIRRORED, UNIT_NAMES, UNITS, type Unit } from './units';

/** How a hand is held. */
export const HAND_FORMS = {
  tip: 'one fingertip',
  tips: 'fingertips',
  ring: 'the ring finger',
  palm: 'the flat palm',
  heel: 'the heel of the hand',
  fist: 'a soft fist',
  knuckles: 'the knuckles',
  pinch: 'thumb and finger',
  rings: 'a ring round the eye',
  thumb: 'the thumb',
  edge: 'the edge of the hand',
  cup: 'a cupped palm',
  cradle: 'a palm under the chin',
  behind: 'behind the head',
  shoulder: 'fingertips on the shoulder',
  up: 'the arm raised',
} as const;
export type HandForm = keyof typeof HAND_FORMS;

/** What it does there. */
export const HAND_MOTIONS = {
  rest: 'lies still',
  stroke: 'strokes',
  circle: 'circles',
  tap: 'taps',
  press: 'presses',
  pinch: 'pinches along',
  lift: 'pulls',
} as const;
export type HandMotion = keyof typeof HAND_MOTIONS;

/** One hand on the face. */
export interface HandPose {
  /** Which hand it is, in the picture. */
  hand: 'left' | 'right';
  form: HandForm;
  motion: HandMotion;
  /** The way it goes; where it lies still, its one place. */
  way: readonly FacePoint[];
  /** On which half of the face its places are. */
  half: 'left' | 'right';
}

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

export const amount = (pose: Pose, unit: Unit): number => pose.units[indexOf(unit)] ?? 0;

const clamp = (n: number): number => Math.max(0, Math.min(1, n));

/**
 * Units written as "12:.6 6L 43": a name, a side where only one does it, and how much, fully where nothing is said.
 * @throws Error for what is none
 */
export function unitsOf(written: string): readonly number[] {
  const units = UNITS.map(() => 0);
  for (const word of written.split(/\s+/).filter(Boolean)) {
    const [given = '', much = '1'] = word.split(':');
    const sides = /[LR]$/.test(given) && !isPaired(given) ? [given.slice(-1)] : ['L', 'R'];
    const name = sides.length === 1 ? given.slice(0, -1) : given;
    const value = Number(much);
    const known = (UNIT_NAMES as readonly string[]).includes(name);
    if (!known || !(value >= 0 && value <= 1)) throw new Error(`"${word}" is no unit of a face`);
    if (isWay(name) && sides.length === 2) throw new Error(`"${word}" needs a side, L or R`);
    const keys = isPaired(name) || isWay(name) ? sides.map((s) => `${name}${s}`) : [name];
    for (const key of keys) units[indexOf(key as Unit)] = value;
  }
  return units;
}

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

const isPoint = (word: string): word is FacePoint =>
  (FACE_POINTS as readonly string[]).includes(word);

/**
 * Hands written as "tips stroke chin>jawMid>belowEar": form, motion, places. Both hands mirror each other; "left"
 * or "right" at the end is one hand on its own half, "cross" is the right hand on the left half.
 * @throws Error for what is none
 */
export function handsOf(written: string): readonly HandPose[] {
  return written
    .split(',')
    .map((part) => part.trim())
    .filter(Boolean)
    .flatMap((part): HandPose[] => {
      const [form = '', motion = '', places = '', which = 'both', ...more] = part.split(/\s+/);
      const way = places.split('>');
      const fits =
        form in HAND_FORMS &&
        motion in HAND_MOTIONS &&
        way.every(isPoint) &&
        ['both', 'left', 'right', 'cross'].includes(which) &&
        more.length === 0;
      if (!fits) throw new Error(`"${part}" is no hand on a face`);
      const of = { form: form as HandForm, motion: motion as HandMotion, way: way.filter(isPoint) };
      if (which === 'cross') return [{ ...of, hand: 'right', half: 'left' }];
      const halves = which === 'both' ? (['left', 'right'] as const) : [which as 'left' | 'right'];
      return halves.map((half) => ({ ...of, hand: half, half }));
    });
}
