import type { FollowWords } from '../follow/words';
import { filled } from '../language/filled';
import { type Dose, doseBeats, isTimed } from '../move';
import { doseOn, type Turn } from '../score';
import type { Phrases } from '../speech';

type Doses = readonly [Dose, ...Dose[]];
/** What takes less is done as quickly as it comes. */
const SLOW_MS = 2000;

export interface AmountWords {
  phrases: Pick<Phrases, 'dose'>;
  words: { side: FollowWords['side']; pace: string };
}

/** How long one of each dose takes, where that is the same in all; null where it is a time, or quick. In ms. */
function paceOf(doses: Doses): number | null {
  const [pace = 0, ...others] = new Set(doses.map((d) => (isTimed(d) ? 0 : doseBeats(d).beatMs)));
  return pace >= SLOW_MS && others.length === 0 ? pace : null;
}

/**
 * How much there is of a segment, for somebody who reads it: in how many rounds, on which sides, and how slowly.
 * @param turn its first
 */
export function amountOf(turn: Turn, { phrases, words }: AmountWords): string {
  const told = (doses: Doses, sides: Turn['shared']): string => {
    const amount = phrases.dose(doses, sides);
    const pace = paceOf(doses);
    if (pace === null) return amount;
    return `${amount} (${filled(words.pace, { seconds: Math.round(pace / 100) / 10 })})`;
  };
  const { doses, shared, segment } = turn;
  if (!segment.uneven || shared !== 'each') return told(doses, shared);
  const on = (side: 'left' | 'right') => {
    const one = (dose: Dose) => doseOn({ ...turn, dose }, side);
    const [first, ...later] = doses;
    return `${words.side[side]}: ${told([one(first), ...later.map(one)], 'together')}`;
  };
  return `${on('left')}; ${on('right')}`;
}
