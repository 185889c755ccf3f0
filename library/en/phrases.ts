import type { Dose } from '@/core/move';
import type { Phrases } from '@/core/speech';

const plural = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;

function amount(dose: Dose): string {
  switch (dose.kind) {
    case 'hold':
      return plural(Math.round(dose.seconds), 'second', 'seconds');
    case 'open':
      return `about ${plural(Math.round(dose.seconds), 'second', 'seconds')}`;
    case 'counts':
      return plural(dose.counts, 'count', 'counts');
    case 'taps':
      return plural(dose.taps, 'tap', 'taps');
    case 'breaths':
      return plural(dose.breaths, 'breath', 'breaths');
    case 'reps':
      return plural(dose.reps, 'time', 'times');
    case 'passes':
      return plural(dose.passes, 'pass', 'passes');
  }
}

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
