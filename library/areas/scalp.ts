import { hold, type MoveShape, OVER_THE_FACE, passes, reps, warmup } from '../shape';

const scalp = {
  hands: 'firm',
  pressure: 'medium',
  surface: 'dry',
  releaseSeconds: 5,
  purposes: ['wakeUp', 'calm'],
  variants: { easier: { hands: 'light', pressure: 'feather' } },
} satisfies Partial<MoveShape>;

/** Tapping and scalp. */
export const scalpMoves: MoveShape[] = [
  warmup(
    'collarbone-to-crown-tapping',
    {
      chest: 0.4,
      sideNeck: 0.4,
      jaw: 0.4,
      mouth: 0.2,
      upperCheeks: 0.4,
      lowerCheeks: 0.4,
      temples: 0.3,
      forehead: 0.4,
      scalp: 0.4,
      shoulders: 0.3,
    },
    passes(2, 20, [20, 80]),
    {
      hands: 'light',
      pressure: 'feather',
      demands: ['nearEye'],
      touch: [...OVER_THE_FACE, 'chest', 'sideNeck', 'shoulders', 'scalp', 'eyes'],
      strokes: [
        [
          'breastbone',
          'collarbone',
          'neckBase',
          'sideNeck',
          'jawAngle',
          'cheekbone',
          'temple',
          'crown',
        ],
      ],
      variants: {
        easier: {
          demands: [],
          touch: [...OVER_THE_FACE, 'chest', 'sideNeck', 'shoulders', 'scalp'],
        },
      },
    },
  ),
  warmup(
    'whole-face-light-tapping',
    {
      forehead: 0.5,
      eyes: 0.2,
      upperCheeks: 0.5,
      lowerCheeks: 0.5,
      mouth: 0.4,
      chin: 0.4,
      jaw: 0.4,
    },
    passes(3, 20, [20, 80]),
    {
      hands: 'light',
      pressure: 'feather',
      demands: ['nearEye'],
      touch: [...OVER_THE_FACE, 'eyes'],
      variants: { easier: { demands: [], touch: OVER_THE_FACE } },
    },
  ),
  warmup('spread-finger-drumming', { scalp: 1, temples: 0.3 }, hold(30, [10, 60]), {
    ...scalp,
    hands: 'light',
    pressure: 'light',
    variants: { easier: { pressure: 'feather' } },
    muscles: ['galea aponeurotica'],
  }),
  warmup('hair-root-lifts', { scalp: 1 }, reps(8, 4, [12, 60]), {
    ...scalp,
    muscles: ['galea aponeurotica', 'occipitofrontalis'],
  }),
  warmup('hair-root-circles', { scalp: 1, temples: 0.3 }, hold(30, [10, 60]), {
    ...scalp,
    muscles: ['galea aponeurotica', 'temporalis'],
  }),
  warmup('fingers-together-on-the-scalp', { scalp: 1 }, reps(8, 4, [12, 60]), {
    ...scalp,
    muscles: ['galea aponeurotica'],
  }),
  warmup('shampoo-kneading', { scalp: 1, shoulders: 0.2 }, hold(30, [15, 90]), {
    ...scalp,
    muscles: ['occipitofrontalis', 'galea aponeurotica'],
  }),
  warmup('crown-circles', { scalp: 0.8 }, reps(10, 2, [10, 40]), {
    ...scalp,
    sides: 'directions',
    touch: ['scalp', 'forehead'],
    purposes: ['calm'],
  }),
  warmup('back-of-crown-circles', { scalp: 0.8, shoulders: 0.2 }, reps(10, 2, [10, 40]), {
    ...scalp,
    sides: 'directions',
    purposes: ['calm'],
  }),
];
