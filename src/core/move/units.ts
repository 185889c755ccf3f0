import type { Muscle } from './muscles';

/**
 * What a face can do, as action units of the Facial Action Coding System (Ekman and Friesen 1978), and some of our
 * own for tongue, shoulders, chest, held air and a pen that is held. Numbers and muscles are from memory.
 */

export interface UnitTraits {
  /** What it does, in plain words. */
  name: string;
  /** What does it. */
  muscles: readonly Muscle[];
}

/** Those that either side does by itself. */
const PAIRED = {
  '1': { name: 'inner brow up', muscles: ['occipitofrontalis, frontal belly'] },
  '2': { name: 'outer brow up', muscles: ['occipitofrontalis, frontal belly'] },
  '4': {
    name: 'brow down and in',
    muscles: ['corrugator supercilii', 'depressor supercilii', 'procerus'],
  },
  '5': { name: 'upper lid up', muscles: ['levator palpebrae superioris'] },
  '6': { name: 'cheek up', muscles: ['orbicularis oculi', 'zygomaticus major'] },
  '7': { name: 'lids tight', muscles: ['orbicularis oculi'] },
  '9': { name: 'nose wrinkled', muscles: ['levator labii superioris alaeque nasi'] },
  '10': { name: 'upper lip up', muscles: ['levator labii superioris'] },
  '12': { name: 'mouth corner up and out', muscles: ['zygomaticus major', 'zygomaticus minor'] },
  '13': { name: 'mouth corner straight up', muscles: ['levator anguli oris'] },
  '14': { name: 'mouth corner drawn in', muscles: ['buccinator'] },
  '15': { name: 'mouth corner down', muscles: ['depressor anguli oris'] },
  '20': { name: 'mouth drawn wide', muscles: ['risorius', 'platysma'] },
  '21': { name: 'neck tight', muscles: ['platysma'] },
  '33': { name: 'cheek full of air', muscles: ['buccinator', 'orbicularis oris'] },
  '35': { name: 'cheek drawn in', muscles: ['buccinator'] },
  '38': { name: 'nostril wide', muscles: ['nasalis'] },
  '39': { name: 'nostril narrow', muscles: ['nasalis'] },
  '43': { name: 'eye closed', muscles: ['orbicularis oculi', 'levator palpebrae superioris'] },
  brace: { name: 'brow held still', muscles: [] },
  shoulderUp: { name: 'shoulder up', muscles: ['trapezius'] },
  shoulderBack: { name: 'shoulder back', muscles: ['trapezius', 'pectoralis major'] },
  shoulderDown: { name: 'shoulder low', muscles: ['trapezius'] },
} as const satisfies Record<string, UnitTraits>;

/** Those of the middle, which both sides do together. */
const MIDDLE = {
  '16': { name: 'lower lip down', muscles: ['depressor labii inferioris'] },
  '17': { name: 'chin up', muscles: ['mentalis'] },
  '18': { name: 'lips pursed', muscles: ['orbicularis oris'] },
  '19': { name: 'tongue out', muscles: ['genioglossus'] },
  '22': { name: 'lips forward in an O', muscles: ['orbicularis oris'] },
  '23': { name: 'lips pressed', muscles: ['orbicularis oris'] },
  '25': { name: 'lips apart', muscles: ['depressor labii inferioris'] },
  '26': { name: 'jaw low', muscles: ['digastric', 'masseter', 'temporalis', 'medial pterygoid'] },
  '27': { name: 'mouth wide open', muscles: ['digastric', 'medial pterygoid', 'masseter'] },
  '28': { name: 'lips folded in', muscles: ['orbicularis oris'] },
  '29': { name: 'jaw forward', muscles: ['medial pterygoid', 'masseter', 'digastric'] },
  '31': { name: 'teeth together', muscles: ['masseter', 'temporalis'] },
  '53': {
    name: 'head back',
    muscles: ['suboccipital muscles', 'trapezius', 'platysma', 'sternocleidomastoid'],
  },
  '54': {
    name: 'head down',
    muscles: ['sternocleidomastoid', 'trapezius', 'suboccipital muscles'],
  },
  '57': { name: 'head forward', muscles: ['sternocleidomastoid', 'scalene muscles'] },
  '63': { name: 'eyes up', muscles: ['extraocular muscles'] },
  '64': { name: 'eyes down', muscles: ['extraocular muscles'] },
  '66': { name: 'eyes to the middle', muscles: ['extraocular muscles'] },
  airAbove: { name: 'air behind the upper lip', muscles: ['orbicularis oris', 'buccinator'] },
  airBelow: { name: 'air behind the lower lip', muscles: ['orbicularis oris', 'buccinator'] },
  tongueUp: { name: 'tongue up', muscles: ['genioglossus'] },
  tongueDown: { name: 'tongue down', muscles: ['genioglossus'] },
  palate: {
    name: 'tongue to the palate',
    muscles: ['genioglossus', 'mylohyoid', 'geniohyoid', 'digastric'],
  },
  chest: { name: 'chest full of breath', muscles: ['diaphragm', 'scalene muscles'] },
  breastbone: { name: 'breastbone forward', muscles: ['pectoralis major', 'trapezius'] },
  pen: { name: 'a pen between nose and lip', muscles: [] },
} as const satisfies Record<string, UnitTraits>;

/** Those that go one way or the other; each is the other's mirror image. */
const WAYS = {
  '30': { name: 'jaw sideways', muscles: ['medial pterygoid', 'masseter'] },
  '36': { name: 'tongue into the cheek', muscles: ['genioglossus'] },
  '51': {
    name: 'head turned',
    muscles: ['sternocleidomastoid', 'scalene muscles', 'suboccipital muscles', 'platysma'],
  },
  '55': { name: 'head leaning', muscles: ['scalene muscles', 'trapezius', 'sternocleidomastoid'] },
  '61': { name: 'eyes to the side', muscles: ['extraocular muscles'] },
  tongueSide: { name: 'tongue to the side', muscles: ['genioglossus'] },
  chestSide: { name: 'chest to the side', muscles: ['pectoralis major'] },
} as const satisfies Record<string, UnitTraits>;

export type PairedUnit = keyof typeof PAIRED;
export type MiddleUnit = keyof typeof MIDDLE;
export type WayUnit = keyof typeof WAYS;
export type UnitName = PairedUnit | MiddleUnit | WayUnit;
/** A unit of one side, or of the middle. Left is the picture's left, as in a mirror. */
export type Unit = MiddleUnit | `${PairedUnit | WayUnit}${'L' | 'R'}`;

const sided = [...Object.keys(PAIRED), ...Object.keys(WAYS)] as (PairedUnit | WayUnit)[];
const middle = Object.keys(MIDDLE) as MiddleUnit[];
export const UNITS: readonly Unit[] = [
  ...sided.flatMap((name): Unit[] => [`${name}L`, `${name}R`]),
  ...middle,
];
export const UNIT_NAMES = [...sided, ...middle] as readonly UnitName[];
export const isPaired = (name: string): name is PairedUnit => name in PAIRED;
export const isWay = (name: string): name is WayUnit => name in WAYS;
export const unitTraits = (name: UnitName): UnitTraits => ({ ...PAIRED, ...MIDDLE, ...WAYS })[name];

const INDEX = new Map(UNITS.map((unit, i) => [unit, i]));
export const unitIndex = (unit: Unit): number => INDEX.get(unit) ?? -1;
/** Where each unit's mirror image stands. */
export const MIRRORED: readonly number[] = UNITS.map((unit) => {
  const other = unit.endsWith('L')
    ? (`${unit.slice(0, -1)}R` as Unit)
    : unit.endsWith('R')
      ? (`${unit.slice(0, -1)}L` as Unit)
      : unit;
  return unitIndex(other);
});
/** The unit whose side is left off. */
export const nameOfUnit = (unit: Unit): UnitName =>
  (middle as readonly string[]).includes(unit)
    ? (unit as UnitName)
    : (unit.slice(0, -1) as UnitName);
