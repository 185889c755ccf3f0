import { breaths, exercise, hold, type MoveShape, reps, taps } from '../shape';

/** Cheeks. */
export const cheekMoves: MoveShape[] = [
  exercise(
    'full-cheeks-hold',
    { lowerCheeks: 1, upperCheeks: 0.5, mouth: 0.3 },
    hold(20, [8, 40]),
    {
      muscles: ['buccinator', 'orbicularis oris'],
      touch: ['upperCheeks', 'lowerCheeks'],
      variants: { easier: {}, harder: { hands: 'light', pressure: 'light' } },
    },
  ),
  exercise('full-cheeks-with-taps', { lowerCheeks: 1, upperCheeks: 0.6 }, taps(16, 60, [8, 30]), {
    sides: 'each',
    rounds: 1,
    hands: 'light',
    pressure: 'feather',
    muscles: ['buccinator'],
    purposes: ['tone', 'wakeUp'],
  }),
  exercise('air-side-to-side', { lowerCheeks: 1, mouth: 0.4 }, reps(10, 2, [8, 40]), {
    sides: 'alternating',
    rounds: 2,
    muscles: ['buccinator', 'orbicularis oris'],
  }),
  exercise('air-up-and-down', { mouth: 0.9, lowerCheeks: 0.6 }, reps(10, 2, [8, 40]), {
    rounds: 2,
    muscles: ['orbicularis oris', 'buccinator'],
  }),
  exercise('smile-pulses', { upperCheeks: 1, mouth: 0.4 }, reps(20, 1, [10, 40]), {
    muscles: ['zygomaticus major', 'zygomaticus minor'],
    variants: { easier: { dose: hold(15, [6, 30]).dose } },
  }),
  exercise('tucked-lip-smile-pulses', { upperCheeks: 1, mouth: 0.6 }, reps(20, 1, [10, 40]), {
    rounds: 2,
    muscles: ['zygomaticus major', 'orbicularis oris'],
    touch: ['upperCheeks'],
    variants: {
      easier: { dose: hold(15, [6, 30]).dose },
      harder: { hands: 'light', pressure: 'light' },
    },
  }),
  exercise('light-purse-cheek-smile', { upperCheeks: 1, mouth: 0.4 }, hold(15, [6, 30]), {
    muscles: ['zygomaticus minor', 'levator labii superioris'],
  }),
  exercise('fish-lips-smile', { lowerCheeks: 1, upperCheeks: 0.6, mouth: 0.4 }, hold(15, [6, 30]), {
    muscles: ['buccinator', 'zygomaticus major'],
  }),
  exercise('tucked-o-palm-press', { upperCheeks: 1, lowerCheeks: 0.6 }, hold(15, [6, 30]), {
    rounds: 2,
    hands: 'firm',
    pressure: 'light',
    surface: 'dry',
    muscles: ['zygomaticus major', 'buccinator'],
    strokes: [['midCheek', 'cheekbone']],
    variants: { easier: { hands: 'light', pressure: 'feather' } },
  }),
  exercise('thumb-inside-cheek-resist', { lowerCheeks: 1 }, reps(8, 4, [12, 40]), {
    sides: 'each',
    rounds: 1,
    hands: 'light',
    pressure: 'light',
    demands: ['insideMouth'],
    touch: ['lowerCheeks', 'mouth'],
    muscles: ['buccinator'],
    variants: { easier: { demands: [], touch: ['lowerCheeks'], pressure: 'feather' } },
  }),
  exercise(
    'o-breathing',
    { lowerCheeks: 0.9, mouth: 0.6 },
    breaths(5, { in: 4, out: 4 }, [16, 60]),
    {
      rounds: 1,
      muscles: ['buccinator', 'orbicularis oris'],
      purposes: ['tone', 'calm'],
    },
  ),
];
