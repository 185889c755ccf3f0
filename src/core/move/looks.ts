import { z } from 'zod';
import { FACE_POINTS, type FacePoint } from './points';
import { isPaired, isWay, UNIT_NAMES, UNITS, type Unit, unitIndex } from './units';

/** How a move looks, in the short form in which it is written: units of the face, and hands on it. */

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
    for (const key of keys) units[unitIndex(key as Unit)] = value;
  }
  return units;
}

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

/** Whether something is read without a fault; its sentence where not. */
const faultOf = (read: () => unknown): string | null => {
  try {
    read();
    return null;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
};
const written = (most: number, read: (text: string) => unknown) =>
  z
    .string()
    .max(most)
    .superRefine((text, context) => {
      const fault = faultOf(() => read(text));
      if (fault) context.addIssue({ code: 'custom', message: fault });
    });

/** Most key poses of a move. */
export const MOST_KEYS = 8;

const picture = {
  /** Key poses over one rep, breath, pass or hold. */
  keys: z
    .array(written(400, unitsOf))
    .min(1, 'must have at least one moment')
    .max(MOST_KEYS, `must have at most ${MOST_KEYS} moments`),
  /** What the hands do on the face meanwhile. */
  fingers: written(400, handsOf).optional(),
};
const pictureSchema = z.strictObject(picture);
export type Picture = z.infer<typeof pictureSchema>;

/** The picture of a teacher's own move, and of its versions where they have one of their own. */
export const looksSchema = z.strictObject({
  ...picture,
  easier: pictureSchema.optional(),
  harder: pictureSchema.optional(),
});
export type Looks = z.infer<typeof looksSchema>;
