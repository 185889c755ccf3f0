import type { Area } from '@/core/move';
import { hold, type MoveShape, massage, OVER_THE_FACE, open, passes, reps } from '../shape';

const dry = { surface: 'dry', props: [] } satisfies Partial<MoveShape>;
/** A pinch can bruise, however soft; its easier version taps or strokes. */
const pinches = {
  ...dry,
  pressure: 'medium',
  variants: { easier: { pressure: 'feather' } },
} satisfies Partial<MoveShape>;
const knuckles = {
  hands: 'firm',
  pressure: 'strong',
  weeklyCap: 1,
  variants: { easier: { hands: 'light', pressure: 'feather' } },
} satisfies Partial<MoveShape>;
const drain = {
  pressure: 'feather',
  demands: ['drain'],
  purposes: ['dePuff', 'calm'],
} satisfies Partial<MoveShape>;
const nearEye = {
  pressure: 'feather',
  demands: ['nearEye'],
  purposes: ['eyes', 'dePuff'],
} satisfies Partial<MoveShape>;

/** What a drain reaches on its way from the middle of the face to the ears. */
const FROM_THE_MIDDLE_OUT: Area[] = [
  ...OVER_THE_FACE.filter((area) => area !== 'brows' && area !== 'mouth'),
  'ears',
];
const OUT: NonNullable<MoveShape['strokes']> = [
  ['midForehead', 'temple'],
  ['nostril', 'frontOfEar'],
];
/** From the middle of the face out to the ears, then down the neck; the easier version leaves the neck out. */
const outThenDown = {
  ...drain,
  touch: [...FROM_THE_MIDDLE_OUT, 'sideNeck', 'chest'],
  muscles: ['platysma', 'sternocleidomastoid'],
  strokes: [...OUT, ['chin', 'jawAngle', 'sideNeck', 'collarbone']],
  variants: {
    easier: {
      demands: [],
      touch: FROM_THE_MIDDLE_OUT,
      strokes: [...OUT, ['chin', 'jawAngle']],
    },
  },
} satisfies Partial<MoveShape>;

/** Massage: forehead, brows, eyes, cheeks, jaw line, ears, neck, drain. */
export const massageMoves: MoveShape[] = [
  massage(
    'forehead-finger-sweeps',
    { forehead: 1, temples: 0.4, brows: 0.3 },
    passes(9, 4, [12, 60]),
    {
      muscles: ['occipitofrontalis, frontal belly'],
      strokes: [['midForehead', 'temple']],
      variants: { easier: { pressure: 'feather' } },
    },
  ),
  massage('forehead-knuckle-fans', { forehead: 1, temples: 0.3 }, passes(6, 5, [15, 60]), {
    ...knuckles,
    muscles: ['occipitofrontalis, frontal belly'],
    strokes: [
      ['midForehead', 'hairline'],
      ['midForehead', 'hairlineSide'],
    ],
  }),
  massage('forehead-fist-slides', { forehead: 1 }, passes(6, 4, [12, 48]), {
    ...knuckles,
    muscles: ['occipitofrontalis, frontal belly'],
    strokes: [['innerBrow', 'hairline']],
  }),
  massage('forehead-opposing-hands', { forehead: 1 }, hold(30, [10, 60]), {
    sides: 'alternating',
    muscles: ['occipitofrontalis, frontal belly'],
    strokes: [['innerBrow', 'hairlineSide']],
  }),
  massage('brow-pinches', { brows: 1, forehead: 0.4 }, passes(3, 8, [8, 40]), {
    ...pinches,
    touch: ['brows', 'forehead'],
    muscles: ['corrugator supercilii'],
    strokes: [['innerBrow', 'midBrow', 'outerBrow']],
  }),
  massage('brow-presses', { brows: 1, eyes: 0.2 }, passes(3, 8, [8, 40]), {
    ...dry,
    demands: ['nearEye'],
    touch: ['brows'],
    variants: { easier: { pressure: 'feather', demands: [] } },
    muscles: ['corrugator supercilii', 'orbicularis oculi'],
    strokes: [['innerBrow', 'midBrow', 'outerBrow']],
    purposes: ['calm', 'eyes'],
  }),
  massage('thumbs-lift-under-brow', { brows: 1, eyes: 0.4 }, passes(4, 6, [12, 40]), {
    ...dry,
    ...nearEye,
    touch: ['brows', 'eyes', 'nose'],
    variants: { easier: { demands: [], touch: ['brows'] } },
    muscles: ['orbicularis oculi', 'depressor supercilii'],
    strokes: [['innerBrow', 'outerBrow']],
  }),
  massage('hook-strokes-between-brows', { brows: 1, forehead: 0.3 }, passes(10, 2, [10, 40]), {
    sides: 'alternating',
    muscles: ['procerus', 'corrugator supercilii'],
    strokes: [['noseBridge', 'innerBrow', 'midBrow']],
  }),
  massage('under-eye-circles', { eyes: 1 }, passes(4, 6, [12, 40]), {
    ...nearEye,
    variants: {
      easier: {
        demands: [],
        touch: ['upperCheeks'],
        strokes: [['nostril', 'cheekbone', 'temple']],
      },
    },
    muscles: ['orbicularis oculi'],
    strokes: [['innerEye', 'underEye', 'outerEye']],
  }),
  massage('under-eye-ring-finger-sweep', { eyes: 1, temples: 0.2 }, passes(8, 3, [9, 45]), {
    ...nearEye,
    variants: {
      easier: {
        demands: [],
        touch: ['upperCheeks'],
        strokes: [['nostril', 'cheekbone', 'temple']],
      },
    },
    muscles: ['orbicularis oculi'],
    strokes: [['innerEye', 'underEye', 'temple']],
  }),
  massage('cheek-pinches', { upperCheeks: 0.8, lowerCheeks: 0.8 }, passes(3, 8, [8, 40]), {
    ...pinches,
    touch: ['nose', 'upperCheeks', 'lowerCheeks', 'ears'],
    muscles: ['zygomaticus major', 'buccinator'],
    purposes: ['wakeUp'],
  }),
  massage('cheekbone-clamp-sweeps', { upperCheeks: 1, temples: 0.2 }, passes(6, 4, [12, 48]), {
    pressure: 'light',
    muscles: ['zygomaticus major', 'zygomaticus minor'],
    strokes: [['nostril', 'cheekbone', 'frontOfEar']],
    variants: { easier: { pressure: 'feather' } },
  }),
  massage('under-cheekbone-points', { upperCheeks: 1, nose: 0.2 }, reps(27, 1.5, [12, 60]), {
    surface: 'either',
    props: [],
    pressure: 'medium',
    releaseSeconds: 5,
    muscles: ['zygomaticus major', 'levator labii superioris'],
    strokes: [['nostril', 'underCheekbone', 'cheekbone']],
    variants: { easier: { pressure: 'feather' } },
  }),
  massage(
    'alternate-cheek-lifts',
    { upperCheeks: 0.8, lowerCheeks: 0.8 },
    passes(10, 2, [10, 40]),
    {
      sides: 'each',
      muscles: ['zygomaticus major', 'risorius'],
      strokes: [['jawMid', 'midCheek', 'cheekbone']],
    },
  ),
  massage('corner-to-ear-pulls', { lowerCheeks: 1, mouth: 0.3 }, passes(8, 3, [9, 45]), {
    muscles: ['risorius', 'buccinator'],
    strokes: [['mouthCorner', 'midCheek', 'frontOfEar']],
    variants: { easier: { pressure: 'feather' } },
  }),
  massage('chin-to-ear-hooks', { jaw: 0.8, chin: 0.5, lowerCheeks: 0.4 }, passes(8, 3, [9, 45]), {
    demands: ['jawPressure'],
    muscles: ['masseter', 'mentalis'],
    variants: { easier: { pressure: 'feather', demands: [] } },
    strokes: [['chin', 'jawMid', 'jawAngle', 'earLobe']],
  }),
  massage('jawline-pinches', { jaw: 1, chin: 0.4 }, passes(4, 8, [8, 48]), {
    ...pinches,
    demands: ['jawPressure'],
    variants: { easier: { pressure: 'feather', demands: [] } },
    muscles: ['masseter', 'platysma'],
    strokes: [['chin', 'jawMid', 'jawAngle', 'belowEar']],
    purposes: ['jaw', 'wakeUp'],
  }),
  massage('lip-line-pinches', { mouth: 1, chin: 0.3 }, passes(3, 8, [8, 40]), {
    ...pinches,
    muscles: ['orbicularis oris'],
    strokes: [
      ['upperLip', 'mouthCorner'],
      ['lowerLip', 'mouthCorner'],
    ],
    purposes: ['wakeUp'],
  }),
  massage('ear-squeeze-and-circles', { ears: 1, temples: 0.2, jaw: 0.2 }, hold(30, [10, 60]), {
    surface: 'either',
    props: [],
    touch: ['ears'],
    variants: { easier: { pressure: 'none' } },
    muscles: ['auricular muscles'],
    strokes: [['earTop', 'earLobe']],
    purposes: ['wakeUp', 'calm', 'jaw'],
  }),
  massage('neck-sweep-to-collarbone', { sideNeck: 1, chest: 0.4 }, passes(8, 3, [9, 60]), {
    ...drain,
    sides: 'each',
    variants: {
      easier: { demands: [], touch: ['chest'], strokes: [['breastbone', 'collarbone']] },
    },
    muscles: ['sternocleidomastoid', 'platysma'],
    strokes: [['belowEar', 'sideNeck', 'neckBase', 'collarbone']],
  }),
  massage(
    'side-knuckle-rolls',
    { lowerCheeks: 0.8, jaw: 0.8, upperCheeks: 0.5 },
    hold(60, [20, 90]),
    {
      ...knuckles,
      demands: ['jawPressure'],
      variants: { easier: { ...knuckles.variants.easier, demands: [] } },
      sides: 'each',
      muscles: ['masseter', 'buccinator', 'zygomaticus major'],
      strokes: [['jawMid', 'midCheek', 'cheekbone']],
    },
  ),
  massage(
    'upward-slides',
    { lowerCheeks: 0.6, upperCheeks: 0.6, jaw: 0.4 },
    passes(8, 4, [12, 60]),
    {
      muscles: ['platysma', 'risorius', 'zygomaticus major'],
      strokes: [['collarbone', 'sideNeck', 'jawMid', 'cheekbone', 'temple']],
      touch: ['chest', 'sideNeck', 'jaw', 'lowerCheeks', 'upperCheeks', 'temples'],
      purposes: ['wakeUp', 'tone'],
      variants: {
        easier: {
          touch: ['lowerCheeks', 'upperCheeks', 'temples'],
          strokes: [['midCheek', 'cheekbone', 'temple']],
        },
      },
    },
  ),
  massage(
    'downward-drain-slides',
    { temples: 0.4, upperCheeks: 0.4, sideNeck: 0.8, chest: 0.4 },
    passes(6, 6, [18, 90]),
    {
      ...drain,
      muscles: ['platysma', 'sternocleidomastoid'],
      strokes: [['temple', 'frontOfEar', 'sideNeck', 'collarbone']],
      variants: {
        easier: {
          demands: [],
          touch: ['temples', 'upperCheeks', 'jaw'],
          strokes: [['temple', 'frontOfEar', 'jawAngle']],
        },
      },
    },
  ),
  massage(
    'closing-face-drain',
    { forehead: 0.4, upperCheeks: 0.4, lowerCheeks: 0.4, sideNeck: 0.6, chest: 0.4 },
    passes(4, 15, [30, 120]),
    { ...outThenDown, releaseSeconds: 5 },
  ),
  massage(
    'palm-by-palm-drain',
    { forehead: 0.4, upperCheeks: 0.4, lowerCheeks: 0.4, sideNeck: 0.6, chest: 0.4 },
    passes(3, 20, [40, 120]),
    { ...outThenDown, surface: 'either', props: [] },
  ),
  massage(
    'one-hand-feather-drain',
    { temples: 0.3, jaw: 0.2, sideNeck: 1, chest: 0.4 },
    passes(5, 4, [12, 60]),
    {
      ...drain,
      surface: 'either',
      props: [],
      sides: 'each',
      muscles: ['sternocleidomastoid', 'platysma'],
      strokes: [['temple', 'frontOfEar', 'sideNeck', 'collarbone']],
      variants: {
        easier: {
          demands: [],
          touch: ['temples', 'jaw', 'ears'],
          strokes: [['temple', 'frontOfEar', 'jawAngle']],
        },
      },
    },
  ),
  massage(
    'closing-free-massage',
    { forehead: 0.4, upperCheeks: 0.5, lowerCheeks: 0.5, jaw: 0.5 },
    open(40, [15, 90]),
    {
      touch: [...OVER_THE_FACE, 'eyes'],
      demands: ['nearEye'],
      muscles: ['masseter', 'zygomaticus major'],
      purposes: ['calm'],
      variants: { easier: { pressure: 'none', demands: [], surface: 'either', props: [] } },
    },
  ),
];
