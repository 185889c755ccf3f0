import { onFromTheStart, type Plan } from '../class';
import { type Caution, type CautionEffect, cautionsOf, type Move, touchedAreas } from '../move';
import type { Book } from '../score';
import { type SegmentDone, waysOf } from './check';

/** What cautions lead to in a class, whoever carries them. */

/** What a caution may lead to, the gravest first. */
export const EFFECTS = [
  'leaveOut',
  'easier',
  'askFirst',
  'feather',
  'checkOil',
] as const satisfies readonly CautionEffect[];

export type Effects = Partial<Record<Caution, CautionEffect>>;

/** A segment with what each caution leads to in it, and where it is let go. */
export interface SegmentEffects extends SegmentDone {
  work: Effects;
  release: Effects;
}

/** The gravest of what several ways of doing a thing lead to. */
function gravest(ways: readonly Move[]): Effects {
  const effects: Effects = {};
  const worse = (a: CautionEffect, b: CautionEffect | undefined) =>
    b === undefined || EFFECTS.indexOf(a) < EFFECTS.indexOf(b);
  for (const way of ways) {
    for (const { caution, effect } of cautionsOf(way)) {
      if (worse(effect, effects[caution])) effects[caution] = effect;
    }
  }
  return effects;
}

/** What is on the skin from the start is on it in every move that hands do. */
const onTheSkin = ({ rules }: Plan, ways: readonly Move[]): Effects =>
  onFromTheStart(rules) && ways.some((way) => touchedAreas(way).length > 0)
    ? { allergy: 'checkOil' }
    : {};

/** The segments of a class, with the gravest that each caution leads to in any round. */
export const effectsIn = (plan: Plan, book: Book): SegmentEffects[] =>
  waysOf(plan, book).map((done) => ({
    ...done,
    work: { ...onTheSkin(plan, done.ways), ...gravest(done.ways) },
    release: gravest(done.releases),
  }));
