import { AREAS, type Area } from './areas';
import type { Move } from './move';
import type { FacePoint, Stroke } from './points';
import { PRESSURES } from './traits';

/** The areas that a hand on a point lies on. */
const AREAS_AT: Record<FacePoint, readonly Area[]> = {
  crown: ['scalp'],
  backOfCrown: ['scalp'],
  hairline: ['forehead'],
  hairlineSide: ['forehead', 'temples'],
  midForehead: ['forehead'],
  temple: ['temples'],
  innerBrow: ['brows'],
  midBrow: ['brows', 'forehead'],
  outerBrow: ['brows', 'forehead'],
  innerEye: ['eyes'],
  underEye: ['eyes'],
  outerEye: ['eyes'],
  noseBridge: ['nose'],
  noseSide: ['nose'],
  nostril: ['nose'],
  cheekbone: ['upperCheeks'],
  underCheekbone: ['upperCheeks'],
  midCheek: ['upperCheeks', 'lowerCheeks'],
  mouthCorner: ['mouth'],
  upperLip: ['mouth'],
  lowerLip: ['mouth'],
  chin: ['chin'],
  jawMid: ['jaw'],
  jawAngle: ['jaw'],
  belowEar: ['jaw', 'sideNeck'],
  frontOfEar: ['jaw', 'ears'],
  earTop: ['ears'],
  earLobe: ['ears'],
  sideNeck: ['sideNeck'],
  neckBase: ['sideNeck'],
  collarbone: ['chest'],
  shoulder: ['shoulders'],
  breastbone: ['chest'],
  underChin: ['underChin'],
  frontNeck: ['frontNeck'],
  skullBase: ['shoulders'],
};

/** The areas that a stroke runs over. */
export const areasAlong = (stroke: Stroke): Area[] => stroke.flatMap((point) => AREAS_AT[point]);

const touched = new WeakMap<Move, readonly Area[]>();

/**
 * The areas that hands touch in a move as it is done, from the crown down: where they lie, and all that
 * its strokes run over. None where the hands are free.
 */
export function touchedAreas(move: Move): readonly Area[] {
  const known = touched.get(move);
  if (known) return known;
  const { hands, touch, areas, strokes } = move;
  const all = new Set<Area>(hands === 'free' ? [] : strokes.flatMap(areasAlong));
  if (hands !== 'free') for (const area of touch ?? (Object.keys(areas) as Area[])) all.add(area);
  const found = AREAS.filter((area) => all.has(area));
  touched.set(move, found);
  return found;
}

/** Whether a move is done with at least some pressure. */
export const presses = (move: Move, least: (typeof PRESSURES)[number]): boolean =>
  PRESSURES.indexOf(move.pressure) >= PRESSURES.indexOf(least);

const DAYS_A_WEEK = 7;

/** How often a week a move may be done at most; null where it may be done every day. */
export const capOf = ({ weeklyCap = DAYS_A_WEEK }: Move): number | null =>
  weeklyCap < DAYS_A_WEEK ? weeklyCap : null;

/**
 * Whether skin and muscle need days of rest after a move, as it is done: its pressure is strong, and nobody says that
 * it may be done daily. Strong knuckles at most once a week are common practice.
 */
export const needsDays = ({ pressure, weeklyCap = 1 }: Move): boolean =>
  pressure === 'strong' && weeklyCap < DAYS_A_WEEK;

/** Where the lymph nodes of the neck lie, and the carotid arteries beside them. */
export const NECK: readonly Area[] = ['underChin', 'frontNeck', 'sideNeck'];
/** All but the body: what is meant by the face where no area is named. */
export const FACE: readonly Area[] = AREAS.filter((a) => a !== 'shoulders' && a !== 'chest');
