import { english } from '@/core/language/en';
import type { Dose } from '@/core/move';
import { type Amounts, amountsIn, type Phrases } from '@/core/speech';

const several = (n: string, one: string, many: string) => `${n} ${n === '1' ? one : many}`;

/** How much of a move there is, by kind of dose. */
const AMOUNTS: Amounts = {
  hold: (n) => several(n, 'second', 'seconds'),
  open: (n) => `about ${several(n, 'second', 'seconds')}`,
  counts: (n) => `a count of ${n}`,
  taps: (n) => several(n, 'tap', 'taps'),
  breaths: (n) => several(n, 'breath', 'breaths'),
  reps: (n) => several(n, 'time', 'times'),
  passes: (n) => (n === '1' ? 'once over' : `${n} times over`),
};
/** What is a time or a number of things is said as in "3 rounds of 45 seconds". */
const THINGS: readonly Dose['kind'][] = ['hold', 'taps', 'breaths'];
const SHARED = { each: ' on each side', directions: ' each way', together: '', alternating: '' };

export const phrases: Phrases = {
  dose: (doses, sides) => {
    const { rounds, same, kind, all, first } = amountsIn(doses, AMOUNTS, 'and');
    const each = SHARED[sides];
    if (rounds === 1) return `${first}${each}`;
    if (!same)
      return all ? `${rounds} rounds: ${all}${each}` : `${rounds} rounds, first ${first}${each}`;
    return THINGS.includes(kind)
      ? `${rounds} rounds of ${first}${each}`
      : `${rounds} rounds, ${first}${each || ' each'}`;
  },
  round: (n) => `Round ${n}`,
  lastRound: 'Last round',
  firstSide: { each: 'Left first.', directions: 'First one way.' },
  sameWay: 'Let go. The same way again.',
  otherSide: { each: 'Let go. Now the right.', directions: 'Let go. Now the other way.' },
  oneSide: { left: 'On the left again.', right: 'Now the right.' },
  release: {
    tap: 'Tap lightly where you felt it, never on the eyes.',
    massage: 'Smooth it out with soft hands.',
    breaths: 'Two slow breaths.',
  },
  strokeNeck: 'Stroke lightly down the neck with one flat hand.',
  again: 'And again.',
  oneMore: 'One more round.',
  evenOut: {
    left: 'And the left, to make it even.',
    right: 'And the right, to make it even.',
    one: 'And the first way, to make it even.',
    other: 'And the other way, to make it even.',
  },
  questions: 'Time for your questions.',
  breatheIn: 'Breathe in',
  breatheOut: 'and out',
  lastBreath: 'Last breath, in',
  go: 'go',
  leaveOut: 'Leave this one out. Sit tall, hands in your lap, and breathe slowly.',
  caution:
    'Gentle movement and self-massage, not medical care. Stop if anything hurts. Ask a licensed clinician first if you have a condition or had a procedure. Local rules apply.',
  number: english.numberWords,
};
