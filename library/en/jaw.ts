import { type AreaWords, words } from '../shape';

const FEATHER = 'Feather-light, teeth apart.';

export const jaw: AreaWords = {
  'yawn-wide-opening': words(
    'Slow yawn',
    [
      'Let the mouth open slowly, as if a yawn were coming, tongue resting low.',
      'Then close it just as slowly.',
    ],
    'A slow yawn, and slowly closed.',
    ['Lift the soft palate.', 'Stop before anything clicks.', 'Eyes may water, that is fine.'],
    'Let the jaw hang.',
    {
      easier: [
        'A yawn behind closed lips.',
        'Yawn with the lips together: the back of the mouth opens, the jaw stays small.',
        'A yawn behind closed lips.',
      ],
    },
  ),
  'soft-jaw-drop': words(
    'Soft jaw drop under palms',
    [
      'Lay the palms on the cheeks, fingers toward the temples, without pushing.',
      'Let the jaw sink slowly as if it were falling asleep, then close it just as slowly.',
    ],
    'Palms on the cheeks, the jaw sinks and closes slowly.',
    [
      'The jaw drops straight down.',
      'Let the tongue rest.',
      'Feel the muscle lengthen under the palms.',
    ],
    'Let the jaw hang and stroke the cheeks down.',
  ),
  'jaw-drop-under-temple-palms': words(
    'Soft jaw drop under temple palms',
    [
      'Lay the palms on the temples and let the head rest between them.',
      'Let the jaw sink and close slowly, and feel the muscle move under the palms.',
    ],
    'Palms on the temples, the jaw sinks and closes.',
    ['The palms only listen.', 'Small is enough.', 'Brows apart.'],
    'Let go and let the jaw hang.',
  ),
  'jaw-muscle-circles': words(
    'Jaw muscle circles',
    [
      'Bite gently once and find the firm place in front of the ear lobe. Then let the teeth part.',
      'Make slow circles there with two fingers, about as firm as kneading soft dough.',
    ],
    'Slow circles on the chewing muscle, teeth apart.',
    [
      'Teeth stay apart.',
      'Stay a little longer where it is tight, never where it hurts.',
      'Let the shoulders hang.',
    ],
    'Let go and let the jaw hang.',
    {
      easier: [
        FEATHER,
        'Lay two fingers on the cheek in front of the ear lobe and let them rest there, or circle as light as a feather.',
        'Feather-light circles, teeth apart.',
      ],
    },
  ),
  'jaw-knuckle-circles': words(
    'Knuckle circles on the jaw muscle',
    [
      'Make soft fists and set the knuckles on the chewing muscle, teeth apart.',
      'Slow circles, a little deeper than with the fingers, never sore.',
    ],
    'Knuckles circle on the chewing muscle.',
    ['Teeth apart.', 'Ease off at once if it hurts.', 'Long out-breath.'],
    'Open the hands and stroke down the jaw.',
    {
      easier: [
        FEATHER,
        'Open the hands and circle with flat fingers, as light as a feather.',
        'Flat fingers, feather-light.',
      ],
    },
  ),
  'knuckle-slide-mouth-opening': words(
    'Knuckle slide, mouth opening',
    [
      'Set the knuckles below the cheekbones, in front of the ears.',
      'Slide slowly down along the muscle while the mouth opens by itself.',
    ],
    'Knuckles slide down, the mouth opens.',
    [
      'The mouth opens because the muscle lets go.',
      'One slow slide a breath.',
      'Never to the end of the opening.',
    ],
    'Let the jaw hang.',
    {
      easier: [
        FEATHER,
        'Stroke down from the ears with flat fingers, feather-light; the mouth stays as it is.',
        'Flat strokes down, mouth at rest.',
      ],
    },
  ),
  'fist-slide-to-cheekbone': words(
    'Fist slide to the cheekbone',
    [
      'Soft fists at the angle of the jaw.',
      'Slide them slowly up over the cheek to below the cheekbone, and begin again below.',
    ],
    'Fists slide from the jaw to the cheekbone.',
    ['Enough oil to glide.', 'Slow and even on both sides.', 'Teeth apart.'],
    'Open the hands and rest them on the cheeks.',
    {
      easier: [
        FEATHER,
        'Slide flat hands up from the jaw to the cheekbone, feather-light.',
        'Flat hands, feather-light.',
      ],
    },
  ),
  'open-o-head-tilted': words(
    'Open O, head tilted',
    [
      'Turn the head a little and lift the chin.',
      'Open the mouth into a round O and hold, and feel the long line from chin to collarbone.',
    ],
    'Head tilted, mouth in an O, and hold.',
    ['Only as open as it is easy.', 'Shoulders low.', 'Breathe on.'],
    'Close, come back, and stroke the neck.',
    {
      easier: [
        'Chin level, small O.',
        'Head turned a little, chin level. Make a small O with the lips and hold.',
        'Chin level, small O.',
      ],
    },
  ),
  'below-ear-press': words(
    'Press below the ear',
    [
      'Find the hollow behind the jaw, just below the ear lobes.',
      'Press in gently with the middle fingers and let the jaw hang.',
    ],
    'Gentle press below the ear lobes.',
    ['Out-breath: sink in a little.', 'In-breath: ease off.', 'Never on the front of the neck.'],
    'Let go and stroke down to the collarbone.',
    {
      easier: [
        FEATHER,
        'Only rest the fingers below the ear lobes and breathe.',
        'Fingers only rest there.',
      ],
    },
  ),
};
