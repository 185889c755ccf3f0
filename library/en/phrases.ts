import type { Dose } from '@/core/move';
import type { Phrases } from '@/core/speech';

const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

type Amounts = { [K in Dose['kind']]: (dose: Extract<Dose, { kind: K }>) => string };

/** How much of a move is announced, by kind of dose. */
const AMOUNTS: Amounts = {
  hold: (dose) => plural(Math.round(dose.seconds), 'second', 'seconds'),
  open: (dose) => `about ${plural(Math.round(dose.seconds), 'second', 'seconds')}`,
  counts: (dose) => plural(dose.counts, 'count', 'counts'),
  taps: (dose) => plural(dose.taps, 'tap', 'taps'),
  breaths: (dose) => plural(dose.breaths, 'breath', 'breaths'),
  reps: (dose) => plural(dose.reps, 'time', 'times'),
  passes: (dose) => plural(dose.passes, 'pass', 'passes'),
};

const amount = <K extends Dose['kind']>(dose: Extract<Dose, { kind: K }>): string =>
  AMOUNTS[dose.kind as K](dose);

export const phrases: Phrases = {
  dose: (dose, rounds) => (rounds === 1 ? amount(dose) : `${rounds} rounds of ${amount(dose)}`),
  round: (n) => `Round ${n}`,
  lastRound: 'Last round',
  firstSide: { each: 'Left side first.', directions: 'One way first.' },
  otherSide: { each: 'Now the right side.', directions: 'Now the other way.' },
  release: {
    tap: 'Tap lightly, never on the eyes.',
    massage: 'Stroke it out.',
    breaths: 'Two slow breaths.',
  },
  strokeNeck: 'Stroke lightly down the neck with one flat hand.',
  oneMore: 'One more round.',
  evenOut: {
    left: 'And the left side, to make it even.',
    right: 'And the right side, to make it even.',
    one: 'And the first way, to make it even.',
    other: 'And the other way, to make it even.',
  },
  questions: 'Time for your questions.',
  breatheIn: 'In',
  breatheOut: 'and out',
  numbers: [
    'zero',
    'one',
    'two',
    'three',
    'four',
    'five',
    'six',
    'seven',
    'eight',
    'nine',
    'ten',
    'eleven',
    'twelve',
    'thirteen',
    'fourteen',
    'fifteen',
    'sixteen',
    'seventeen',
    'eighteen',
    'nineteen',
    'twenty',
  ],
};
