import { breaths, exercise, hold, type MoveShape, reps } from '../shape';

const braced = { hands: 'firm', pressure: 'light', surface: 'dry', release: 'massage' } as const;

/** Forehead and brows. */
export const foreheadMoves: MoveShape[] = [
  exercise('hairline-press-look-down', { forehead: 1, brows: 0.3 }, hold(10, [5, 30]), {
    ...braced,
    touch: ['forehead'],
    rounds: 2,
    muscles: ['occipitofrontalis, frontal belly'],
    strokes: [['midForehead', 'hairline']],
    variants: { easier: { hands: 'light', pressure: 'feather' } },
  }),
  exercise('palm-heel-brow-lift', { forehead: 1, brows: 0.5 }, hold(15, [6, 30]), {
    ...braced,
    demands: ['nearEye'],
    rounds: 2,
    muscles: ['occipitofrontalis, frontal belly', 'procerus'],
    strokes: [['midBrow', 'midForehead', 'hairline']],
    variants: { easier: { hands: 'light', pressure: 'feather', demands: [], strokes: [] } },
  }),
  exercise(
    'staged-brow-hold',
    { forehead: 0.8, brows: 1 },
    breaths(5, { in: 4, out: 6 }, [30, 80]),
    {
      ...braced,
      demands: ['nearEye'],
      releaseSeconds: 12,
      muscles: ['corrugator supercilii', 'procerus', 'depressor supercilii'],
      strokes: [['innerBrow', 'outerBrow']],
    },
  ),
  exercise('braced-brow-slow-blink', { forehead: 0.6, eyes: 1, brows: 0.4 }, hold(20, [8, 40]), {
    ...braced,
    touch: ['forehead'],
    release: 'none',
    releaseSeconds: 10,
    muscles: ['levator palpebrae superioris', 'orbicularis oculi'],
    purposes: ['eyes', 'tone'],
    variants: { easier: { hands: 'free', pressure: 'none' }, harder: {} },
  }),
  exercise('braced-brow-open-and-shut', { forehead: 0.6, eyes: 0.8 }, reps(10, 3, [12, 45]), {
    ...braced,
    touch: ['forehead'],
    release: 'none',
    rounds: 2,
    muscles: ['levator palpebrae superioris', 'orbicularis oculi'],
    purposes: ['eyes', 'wakeUp'],
    variants: { easier: { hands: 'free', pressure: 'none' } },
  }),
];
