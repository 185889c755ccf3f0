import type { Area } from './areas';

/** Muscles by the area they belong to, by their names in Terminologia Anatomica (from memory). */
export const MUSCLES_BY_AREA = {
  scalp: ['occipitofrontalis', 'galea aponeurotica', 'temporoparietalis'],
  forehead: ['occipitofrontalis, frontal belly'],
  brows: ['procerus', 'corrugator supercilii', 'depressor supercilii'],
  temples: ['temporalis'],
  eyes: ['orbicularis oculi', 'levator palpebrae superioris', 'extraocular muscles'],
  ears: ['auricular muscles'],
  nose: ['nasalis', 'levator labii superioris alaeque nasi'],
  upperCheeks: ['zygomaticus major', 'zygomaticus minor', 'levator labii superioris'],
  lowerCheeks: ['buccinator', 'risorius'],
  mouth: ['orbicularis oris', 'depressor anguli oris', 'levator anguli oris'],
  chin: ['mentalis', 'depressor labii inferioris'],
  jaw: ['masseter', 'medial pterygoid'],
  underChin: ['digastric', 'mylohyoid', 'geniohyoid', 'genioglossus'],
  frontNeck: ['platysma'],
  sideNeck: ['sternocleidomastoid', 'scalene muscles'],
  shoulders: ['trapezius', 'suboccipital muscles'],
  chest: ['pectoralis major', 'diaphragm'],
} as const satisfies Record<Area, readonly string[]>;

export type Muscle = (typeof MUSCLES_BY_AREA)[Area][number];
export const MUSCLES = Object.values(MUSCLES_BY_AREA).flat() as Muscle[];
