import { breaths, counts, exercise, hold, type MoveShape, reps, taps } from '../shape';

const anchored = {
  hands: 'firm',
  pressure: 'light',
  surface: 'dry',
  head: 'back',
  rounds: 2,
  releaseSeconds: 10,
  release: 'massage',
  touch: ['chest'],
  variants: { easier: { head: 'level' } },
  purposes: ['tone', 'posture'],
} satisfies Partial<MoveShape>;
const tongue = {
  muscles: ['genioglossus', 'geniohyoid', 'mylohyoid'],
  purposes: ['tone', 'voice'],
} satisfies Partial<MoveShape>;

/** Neck and under the chin. */
export const neckMoves: MoveShape[] = [
  exercise('anchored-jaw-forward', { frontNeck: 1, underChin: 0.6, jaw: 0.3 }, hold(20, [8, 40]), {
    ...anchored,
    demands: ['jawForward'],
    muscles: ['platysma', 'digastric'],
  }),
  exercise(
    'anchored-jaw-three-ways',
    { frontNeck: 1, sideNeck: 0.5, underChin: 0.5 },
    hold(24, [9, 45]),
    {
      ...anchored,
      demands: ['jawForward'],
      muscles: ['platysma', 'digastric', 'sternocleidomastoid'],
    },
  ),
  exercise('anchored-tongue-curl', { underChin: 1, frontNeck: 0.8 }, hold(15, [6, 30]), {
    ...anchored,
    muscles: ['genioglossus', 'mylohyoid', 'platysma'],
  }),
  exercise(
    'anchored-lip-corners-back',
    { frontNeck: 1, lowerCheeks: 0.4, chin: 0.4 },
    hold(15, [6, 30]),
    {
      ...anchored,
      muscles: ['platysma', 'risorius'],
    },
  ),
  exercise(
    'jaw-open-close-looking-up',
    { underChin: 1, frontNeck: 0.7, jaw: 0.4 },
    reps(10, 3, [9, 60]),
    {
      head: 'back',
      rounds: 2,
      demands: ['wideOpening'],
      muscles: ['digastric', 'platysma'],
      release: 'massage',
      variants: { easier: { head: 'level', demands: [] } },
    },
  ),
  exercise('wrist-cradle-chin-press', { underChin: 1, shoulders: 0.4 }, reps(8, 5, [15, 60]), {
    hands: 'firm',
    pressure: 'light',
    rounds: 2,
    touch: ['chin', 'jaw', 'underChin'],
    demands: ['resistedJaw'],
    muscles: ['digastric', 'mylohyoid'],
    variants: { easier: { demands: [] } },
  }),
  exercise(
    'chin-press-with-held-breath',
    { underChin: 1, shoulders: 0.4 },
    breaths(5, { in: 3, hold: 3, out: 4 }, [20, 80]),
    {
      releaseSeconds: 10,
      hands: 'firm',
      pressure: 'light',
      rounds: 2,
      touch: ['chin', 'jaw', 'underChin'],
      demands: ['resistedJaw', 'breathHold'],
      muscles: ['digastric', 'mylohyoid'],
      variants: {
        easier: {
          demands: [],
          hands: 'light',
          pressure: 'feather',
          dose: breaths(6, { in: 4, out: 4 }, [20, 80]).dose,
        },
      },
    },
  ),
  exercise(
    'neck-pump-with-breath',
    { frontNeck: 1, chin: 0.3 },
    breaths(6, { in: 3, out: 3 }, [18, 72]),
    {
      hands: 'light',
      pressure: 'feather',
      surface: 'dry',
      rounds: 2,
      release: 'massage',
      touch: ['chest'],
      muscles: ['platysma'],
    },
  ),
  exercise('front-neck-pulses', { frontNeck: 1 }, reps(20, 1, [10, 40]), {
    hands: 'light',
    pressure: 'feather',
    surface: 'dry',
    rounds: 2,
    touch: ['frontNeck'],
    muscles: ['platysma'],
  }),
  exercise(
    'chin-glide-against-fingers',
    { frontNeck: 0.8, underChin: 0.8, jaw: 0.4 },
    reps(8, 5, [15, 60]),
    {
      hands: 'light',
      pressure: 'light',
      surface: 'dry',
      rounds: 2,
      demands: ['resistedJaw', 'jawForward'],
      touch: ['chin'],
      muscles: ['medial pterygoid', 'platysma'],
      variants: { easier: { demands: ['jawForward'], pressure: 'feather' } },
    },
  ),
  exercise('tongue-palate-press', { underChin: 1, frontNeck: 0.3 }, hold(20, [5, 40]), tongue),
  exercise('tongue-taps-to-palate', { underChin: 1, frontNeck: 0.3 }, taps(20, 60, [10, 40]), {
    ...tongue,
    sides: 'each',
    rounds: 1,
    head: 'back',
    variants: { easier: { head: 'turned' } },
  }),
  exercise('tongue-toward-nose', { underChin: 1, mouth: 0.2 }, counts(20, 60, [8, 40]), {
    ...tongue,
    rounds: 2,
  }),
  exercise('tongue-corner-to-corner', { underChin: 0.8, mouth: 0.6 }, reps(12, 2, [8, 40]), {
    ...tongue,
    sides: 'alternating',
    rounds: 2,
  }),
  exercise('tongue-to-ceiling', { underChin: 1, frontNeck: 0.6 }, reps(8, 3, [9, 40]), {
    ...tongue,
    rounds: 2,
    head: 'back',
    variants: { easier: { head: 'level' } },
  }),
  exercise('swallow-looking-up', { frontNeck: 1, underChin: 0.7 }, reps(3, 5, [5, 30]), {
    sides: 'each',
    rounds: 1,
    head: 'back',
    muscles: ['mylohyoid', 'platysma'],
    variants: { easier: { head: 'level' } },
  }),
  exercise('side-neck-lift', { sideNeck: 1, frontNeck: 0.4 }, hold(10, [5, 30]), {
    sides: 'each',
    rounds: 2,
    head: 'back',
    muscles: ['sternocleidomastoid', 'platysma'],
    variants: { easier: { head: 'turned' } },
  }),
];
