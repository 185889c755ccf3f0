/** The face areas a move can work, in the order of the face from the crown down. */
export const AREAS = [
  'scalp',
  'forehead',
  'brows',
  'temples',
  'eyes',
  'ears',
  'nose',
  'upperCheeks',
  'lowerCheeks',
  'mouth',
  'chin',
  'jaw',
  'underChin',
  'frontNeck',
  'sideNeck',
  'shoulders',
  'chest',
] as const;

export type Area = (typeof AREAS)[number];

export const AREA_NAMES: Record<Area, string> = {
  scalp: 'scalp',
  forehead: 'forehead',
  brows: 'between the brows',
  temples: 'temples',
  eyes: 'eyes',
  ears: 'ears',
  nose: 'nose',
  upperCheeks: 'upper cheeks',
  lowerCheeks: 'lower cheeks',
  mouth: 'mouth',
  chin: 'chin',
  jaw: 'jaw',
  underChin: 'under the chin',
  frontNeck: 'front of the neck',
  sideNeck: 'sides of the neck',
  shoulders: 'back of the neck and shoulders',
  chest: 'collarbone and chest',
};
