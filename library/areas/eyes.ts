import { breaths, counts, exercise, hold, type MoveShape, reps } from '../shape';

const ring = {
  hands: 'light',
  pressure: 'feather',
  surface: 'dry',
  demands: ['nearEye'],
  release: 'none',
} satisfies Partial<MoveShape>;
const gaze = {
  rounds: 1,
  releaseSeconds: 5,
  release: 'none',
  purposes: ['eyes', 'calm'],
  muscles: ['extraocular muscles'],
} satisfies Partial<MoveShape>;

/** Eyes. */
export const eyeMoves: MoveShape[] = [
  exercise('temple-palms-squeeze', { eyes: 1, temples: 0.7 }, hold(10, [5, 20]), {
    hands: 'firm',
    pressure: 'light',
    surface: 'dry',
    demands: ['squeezeShut', 'nearEye'],
    touch: ['temples', 'eyes'],
    release: 'none',
    muscles: ['orbicularis oculi', 'temporalis'],
    purposes: ['eyes', 'tone'],
    strokes: [['temple', 'hairlineSide']],
    variants: {
      easier: { demands: [], hands: 'light', pressure: 'feather', touch: ['temples'], strokes: [] },
    },
  }),
  exercise('temple-palms-pulse', { eyes: 1, temples: 0.7 }, reps(12, 2, [10, 40]), {
    hands: 'firm',
    pressure: 'light',
    surface: 'dry',
    demands: ['squeezeShut', 'nearEye'],
    touch: ['temples', 'eyes'],
    release: 'none',
    muscles: ['orbicularis oculi', 'temporalis'],
    rounds: 2,
    purposes: ['eyes', 'tone'],
    strokes: [['temple', 'hairlineSide']],
    variants: {
      easier: { demands: [], hands: 'light', pressure: 'feather', touch: ['temples'], strokes: [] },
    },
  }),
  exercise('lower-lid-lifts', { eyes: 1 }, reps(15, 2, [10, 40]), {
    ...ring,
    rounds: 2,
    muscles: ['orbicularis oculi'],
    purposes: ['eyes', 'tone'],
    variants: { easier: { hands: 'free', pressure: 'none', demands: [] } },
  }),
  exercise('finger-rings-squint', { eyes: 1, brows: 0.3 }, reps(8, 4, [12, 40]), {
    ...ring,
    demands: ['nearEye', 'squeezeShut'],
    rounds: 2,
    muscles: ['orbicularis oculi'],
    purposes: ['eyes', 'tone'],
    variants: { easier: { hands: 'free', pressure: 'none', demands: [] } },
  }),
  exercise(
    'outer-corner-lift',
    { eyes: 1, temples: 0.4 },
    breaths(5, { in: 3, out: 4 }, [14, 45]),
    {
      ...ring,
      rounds: 1,
      muscles: ['orbicularis oculi', 'levator palpebrae superioris'],
      purposes: ['eyes', 'tone'],
      strokes: [['outerEye', 'temple']],
      variants: { easier: { hands: 'free', pressure: 'none', demands: [] } },
    },
  ),
  exercise('forehead-palms-eyes-wide', { eyes: 1, forehead: 0.5 }, counts(10, 60, [5, 20]), {
    hands: 'firm',
    pressure: 'light',
    surface: 'dry',
    touch: ['forehead'],
    release: 'none',
    muscles: ['levator palpebrae superioris'],
    purposes: ['eyes', 'wakeUp'],
  }),
  exercise('gaze-side-to-side', { eyes: 1 }, reps(8, 3, [12, 45]), {
    ...gaze,
    sides: 'alternating',
  }),
  exercise('gaze-far-holds', { eyes: 1 }, hold(10, [5, 20]), { ...gaze, sides: 'each' }),
  exercise('gaze-up-and-down', { eyes: 1 }, reps(8, 3, [12, 45]), gaze),
  exercise('gaze-up-hold', { eyes: 1, forehead: 0.2 }, hold(10, [5, 20]), gaze),
  exercise('gaze-down-hold', { eyes: 1 }, hold(10, [5, 20]), gaze),
  exercise('gaze-circles', { eyes: 1 }, reps(4, 5, [10, 40]), { ...gaze, sides: 'directions' }),
  exercise('gaze-at-brow-centre', { eyes: 0.8, brows: 0.4 }, hold(8, [4, 15]), gaze),
  exercise('slow-gaze-arcs', { eyes: 1, forehead: 0.3 }, reps(6, 5, [15, 45]), {
    ...gaze,
    sides: 'alternating',
  }),
  exercise('look-up-lift-lower-lids', { eyes: 1 }, reps(10, 2, [8, 30]), {
    rounds: 2,
    release: 'none',
    muscles: ['orbicularis oculi'],
    purposes: ['eyes', 'tone'],
  }),
];
