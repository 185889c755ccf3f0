import { AREAS, type Area } from './areas';
import type { Move } from './move';

/** Neighbouring areas that a teacher thinks of as one place, from the collarbone up. */
export const REGIONS = [
  'neck',
  'jaw',
  'mouth',
  'cheeks',
  'nose',
  'eyes',
  'forehead',
  'scalp',
] as const;
export type Region = (typeof REGIONS)[number];

export const REGION_NAMES: Record<Region, string> = {
  neck: 'neck and chest',
  jaw: 'jaw and under the chin',
  mouth: 'mouth and chin',
  cheeks: 'cheeks',
  nose: 'nose',
  eyes: 'eyes and temples',
  forehead: 'forehead and brows',
  scalp: 'scalp and ears',
};

const REGION_OF: Record<Area, Region> = {
  scalp: 'scalp',
  forehead: 'forehead',
  brows: 'forehead',
  temples: 'eyes',
  eyes: 'eyes',
  ears: 'scalp',
  nose: 'nose',
  upperCheeks: 'cheeks',
  lowerCheeks: 'cheeks',
  mouth: 'mouth',
  chin: 'mouth',
  jaw: 'jaw',
  underChin: 'jaw',
  frontNeck: 'neck',
  sideNeck: 'neck',
  shoulders: 'neck',
  chest: 'neck',
};

export const regionOf = (area: Area): Region => REGION_OF[area];

export const areasIn = (region: Region): Area[] => AREAS.filter((a) => REGION_OF[a] === region);

const mainAreas = new WeakMap<Move, Area>();

/** The area that a move works most. */
export function mainArea(move: Move): Area {
  const known = mainAreas.get(move);
  if (known) return known;
  const weight = (area: Area) => move.areas[area] ?? 0;
  const found = AREAS.reduce((most, area) => (weight(area) > weight(most) ? area : most), 'scalp');
  mainAreas.set(move, found);
  return found;
}

/** A move that works so many regions strongly has no one place on the face. */
const EVERYWHERE = 4;
/** An area is worked strongly where it takes this share of the most worked one, or more. */
const STRONG = 0.6;

/** The areas a move is really about, the others being worked along. */
export function strongAreas(move: Move): Area[] {
  const most = move.areas[mainArea(move)] ?? 0;
  return AREAS.filter((area) => (move.areas[area] ?? 0) >= STRONG * most);
}

/** The region a move belongs to, or null for one that goes over the whole face. */
export function mainRegion(move: Move): Region | null {
  const strong = new Set(strongAreas(move).map(regionOf));
  return strong.size >= EVERYWHERE ? null : regionOf(mainArea(move));
}

/** Whether a move is about any of some areas. */
export const worksOn = (move: Move, areas: readonly Area[]): boolean =>
  strongAreas(move).some((area) => areas.includes(area));
