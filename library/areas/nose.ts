import { breaths, exercise, type MoveShape, massage, passes } from '../shape';

/** Nose. */
export const noseMoves: MoveShape[] = [
  exercise('nostril-flares', { nose: 1 }, breaths(5, { in: 3, out: 4 }, [12, 42]), {
    rounds: 2,
    releaseSeconds: 5,
    hands: 'light',
    pressure: 'feather',
    muscles: ['nasalis'],
    release: 'massage',
  }),
  massage('nose-side-strokes', { nose: 1, upperCheeks: 0.2 }, passes(8, 3, [9, 45]), {
    muscles: ['nasalis', 'levator labii superioris alaeque nasi'],
    strokes: [['noseBridge', 'noseSide', 'nostril']],
    purposes: ['dePuff', 'wakeUp'],
  }),
  exercise(
    'nose-corner-pull-lean',
    { nose: 1, upperCheeks: 0.4 },
    breaths(3, { in: 3, out: 4 }, [12, 45]),
    {
      sides: 'each',
      rounds: 1,
      hands: 'light',
      pressure: 'light',
      surface: 'dry',
      head: 'leaning',
      muscles: ['levator labii superioris alaeque nasi'],
      strokes: [['nostril', 'underCheekbone']],
      variants: { easier: { head: 'level' } },
    },
  ),
];
