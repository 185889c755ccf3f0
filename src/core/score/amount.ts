import { dequal } from 'dequal';
import { filled } from '../language/filled';
import { type Dose, doseBeats, isTimed } from '../move';
import type { Phrases } from '../speech';
import { doseOn, type Turn } from './turns';

type Doses = readonly [Dose, ...Dose[]];
/** What takes less is done as quickly as it comes. */
const SLOW_MS = 2000;

/** In which words an amount is told, in one language. */
export interface AmountWords {
  phrases: Pick<Phrases, 'dose'>;
  words: {
    side: Record<'left' | 'right' | 'alternating', string>;
    /** How long one of a dose takes, with `{seconds}`. */
    pace: string;
    /** Between rounds that have different amounts. */
    after: string;
  };
}

/** Of which rounds the amount is told, and of which side alone. */
export interface AmountAsked {
  /** What each of the rounds has; all rounds of the segment where nothing is said. */
  doses?: Doses;
  only?: 'left' | 'right';
}

/** How long one of a dose takes, in ms; null where it is a time, or quick. */
function paceOf(dose: Dose): number | null {
  const beatMs = isTimed(dose) ? 0 : doseBeats(dose).beatMs;
  return beatMs >= SLOW_MS ? beatMs : null;
}

/** Rounds in a row that have the same. */
function alike([first, ...later]: Doses): Doses[] {
  const rows: [Dose, ...Dose[]][] = [[first]];
  for (const dose of later) {
    const last = rows.at(-1);
    if (last && dequal(last[0], dose)) last.push(dose);
    else rows.push([dose]);
  }
  return rows;
}

/**
 * How much there is of a segment, for somebody who reads it: in how many rounds, on which sides, and how slowly.
 * @param turn one of its turns
 */
export function amountOf(
  turn: Turn,
  { phrases, words }: AmountWords,
  { doses = turn.doses, only }: AmountAsked = {},
): string {
  const row = (of: Doses, sides: Turn['shared']): string => {
    const pace = paceOf(of[0]);
    const inTurn = sides === 'alternating' ? `, ${words.side.alternating}` : '';
    const slowly =
      pace === null ? '' : ` (${filled(words.pace, { seconds: Math.round(pace / 100) / 10 })})`;
    return `${phrases.dose(of, sides)}${inTurn}${slowly}`;
  };
  const told = (of: Doses, sides: Turn['shared']) =>
    alike(of)
      .map((rounds) => row(rounds, sides))
      .join(words.after);
  const { shared, segment } = turn;
  const on = (side: 'left' | 'right') => {
    const one = (dose: Dose) => doseOn({ ...turn, dose }, side);
    const [first, ...later] = doses;
    return `${words.side[side]}: ${told([one(first), ...later.map(one)], 'together')}`;
  };
  if (only) return on(only);
  if (!segment.uneven || shared !== 'each') return told(doses, shared);
  return `${on('left')}; ${on('right')}`;
}
