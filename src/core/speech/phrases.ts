import { amountIn, type Dose, type Release, type Sides } from '../move';

/** The small connecting words of a language that the score puts between the teacher's own cues. */
export interface Phrases {
  /** How much is to come: what each round has, and how the sides share it. Without a full stop. */
  dose: (rounds: readonly [Dose, ...Dose[]], sides: Sides) => string;
  round: (round: number) => string;
  lastRound: string;
  /** Said before a move is explained, since people turn while they listen. */
  firstSide: Record<'each' | 'directions', string>;
  /** Said between two sides; the first is let go. */
  otherSide: Record<'each' | 'directions', string>;
  /** Said where something else is done in the direction that the room is on. */
  sameWay: string;
  /** The side that a block goes on with which is done one side first. */
  oneSide: Record<'left' | 'right', string>;
  release: Record<Exclude<Release, 'none'>, string>;
  /** How a neck is stroked out: one hand, never both at once beside the throat. */
  strokeNeck: string;
  /** Said where a later round goes straight on. */
  again: string;
  /** Said before a round that the teacher adds while leading. */
  oneMore: string;
  /** Said before a side that gets what the other had more. */
  evenOut: Record<'left' | 'right' | 'one' | 'other', string>;
  questions: string;
  breatheIn: string;
  breatheOut: string;
  /** In place of "breathe in" where it is the last. */
  lastBreath: string;
  /** The word after a count-in, where the teacher wants one. */
  go: string;
  /** Said to whoever leaves a move out: what to do meanwhile. */
  leaveOut: string;
  /** The usual caution, which goes with all that is taken away. */
  caution: string;
  /** A whole number in words. */
  number: (n: number) => string;
}

/** How a language says so much of a kind of dose; a number, or several as in "45, 56 and 44". */
export type Amounts = Record<Dose['kind'], (n: string) => string>;

/** Most rounds whose amounts are told one by one; more than that nobody keeps in mind. */
const MOST_TOLD = 4;

/** What there is to be said of the doses of some rounds. */
export interface AmountsIn {
  rounds: number;
  /** All rounds have the same. */
  same: boolean;
  kind: Dose['kind'];
  first: string;
  /** All amounts in one; null where they are of several kinds, or too many to be told. */
  all: string | null;
}

/** Reads the doses of some rounds for a language. @param and the word before the last of several */
export function amountsIn(
  doses: readonly [Dose, ...Dose[]],
  amounts: Amounts,
  and: string,
): AmountsIn {
  const [{ kind }] = doses;
  const said = doses.map((dose) => String(Math.round(amountIn(dose))));
  const alike = doses.every((d) => d.kind === kind);
  const list = `${said.slice(0, -1).join(', ')} ${and} ${said.at(-1)}`;
  return {
    rounds: doses.length,
    same: alike && new Set(said).size === 1,
    kind,
    first: amounts[kind](said[0] ?? ''),
    all: alike && doses.length <= MOST_TOLD ? amounts[kind](list) : null,
  };
}

/** A count as it is said. */
export const countWord = (phrases: Phrases, n: number): string => phrases.number(n);
