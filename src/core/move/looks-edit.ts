import { type HandForm, type HandMotion, handsOf, type Picture, unitsOf } from './looks';
import type { FacePoint } from './points';
import { isPaired, isWay, type Unit, type UnitName, unitIndex } from './units';

/** Edits of a written picture, each a pure function, so that they can be undone. */

/** Whose amount is meant. */
export type HalfOf = 'both' | 'left' | 'right';

const unitsFor = (name: UnitName, half: HalfOf): Unit[] => {
  if (isWay(name)) return [`${name}${half === 'right' ? 'R' : 'L'}` as Unit];
  if (!isPaired(name)) return [name as Unit];
  if (half !== 'both') return [`${name}${half === 'left' ? 'L' : 'R'}` as Unit];
  return [`${name}L` as Unit, `${name}R` as Unit];
};

/** How much of a unit a key pose has; of both sides the greater. */
export function amountOf(key: string, name: UnitName, half: HalfOf): number {
  const units = unitsOf(key);
  return Math.max(...unitsFor(name, half).map((unit) => units[unitIndex(unit)] ?? 0));
}

/** A key pose with so much of a unit, in hundredths. */
export function withAmount(key: string, name: UnitName, half: HalfOf, much: number): string {
  const rounded = Math.round(100 * Math.max(0, Math.min(1, much))) / 100;
  const set = new Map<string, number>();
  const read = unitsOf(key);
  for (const word of key.split(/\s+/).filter(Boolean)) {
    const [given = ''] = word.split(':');
    const sided = isPaired(given) ? [`${given}L`, `${given}R`] : [given];
    for (const unit of sided) set.set(unit, read[unitIndex(unit as Unit)] ?? 0);
  }
  for (const unit of unitsFor(name, half)) set.set(unit, rounded);
  const [left, right] = [set.get(`${name}L`), set.get(`${name}R`)];
  if (isPaired(name) && left === right && left !== undefined) {
    set.delete(`${name}L`);
    set.delete(`${name}R`);
    set.set(name, left);
  }
  return [...set]
    .filter(([, value]) => value > 0)
    .map(([unit, value]) => (value === 1 ? unit : `${unit}:${value}`))
    .join(' ');
}

export type WhichHand = 'both' | 'left' | 'right' | 'cross';
export interface HandsWish {
  form: HandForm;
  motion: HandMotion;
  way: readonly FacePoint[];
  which: WhichHand;
}

/** Hands as they are written; nothing where they have no place. */
export const writtenHands = ({ form, motion, way, which }: HandsWish): string =>
  way.length === 0 ? '' : `${form} ${motion} ${way.join('>')} ${which}`;

/** The first hands of a picture, to be changed; a fingertip that rests where there are none. */
export function wishOf({ fingers = '' }: Picture): HandsWish {
  const [first, second] = handsOf(fingers);
  if (!first) return { form: 'tips', motion: 'rest', way: [], which: 'both' };
  const { form, motion, way, hand, half } = first;
  const which = hand !== half ? 'cross' : second ? 'both' : hand;
  return { form, motion, way, which };
}
