import type { AreaWords } from '../shape';

export const jawAndMouth: AreaWords = {
  'soft-jaw-drop': {
    name: 'Soft jaw drop under palms',
    setup: [
      'Lay the palms on the cheeks, fingers toward the temples, without pushing.',
      'Let the jaw sink slowly as if it were falling asleep, then close it just as slowly.',
      'Stop well before anything clicks.',
    ],
    short: 'Palms on the cheeks, the jaw sinks and closes slowly.',
    form: [
      'The jaw drops straight down.',
      'Let the tongue rest.',
      'Feel the muscle lengthen under the palms.',
    ],
    letGo: 'Let the jaw hang and stroke the cheeks down.',
  },
  'jaw-muscle-circles': {
    name: 'Jaw muscle circles',
    setup: [
      'Bite gently once and find the firm place in front of the ear lobe. Then let the teeth part.',
      'Make slow circles there with two fingers, about as firm as kneading soft dough.',
    ],
    short: 'Slow circles on the chewing muscle, teeth apart.',
    form: [
      'Teeth stay apart.',
      'Stay a little longer where it is tight, never where it hurts.',
      'Let the shoulders hang.',
    ],
    letGo: 'Let go and let the jaw hang.',
  },
  'folded-lip-press': {
    name: 'Folded lip press',
    setup: [
      'Fold both lips in over the teeth, as if to hide them.',
      'Press them together gently and draw the mouth corners straight out, both at one height.',
    ],
    short: 'Lips folded in, corners level, press gently.',
    form: ['Chin stays smooth.', 'Both corners at one height.', 'Breathe through the nose.'],
    letGo: 'Let the lips flutter.',
  },
  'level-smile-tongue-corners': {
    name: 'Tongue to the corner, level smile',
    setup: [
      'Smile with both mouth corners at one height.',
      'Press the tongue tip into the left corner and hold, without letting the smile tip over.',
    ],
    short: 'Level smile, tongue into the corner.',
    form: ['Both corners stay level.', 'Eyes stay soft.', 'Shoulders low.'],
    letGo: 'Let the smile go.',
  },
  'finger-resisted-chin-scoop': {
    name: 'Chin scoop against the fingers',
    setup: [
      'Open the mouth a little and fold the lower lip over the teeth.',
      'Two fingers on the chin give a light resistance while the jaw scoops up to close.',
      'Open softly again; only the closing works.',
    ],
    short: 'Lower lip folded, scoop up against the fingers.',
    form: [
      'Light fingers, no forcing.',
      'The head stays still.',
      'Lift the mouth corners as you close.',
    ],
    letGo: 'Let the lip roll out and tap the chin.',
  },
  'lip-line-pinches': {
    name: 'Lip line pinches',
    setup: [
      'With thumb and index finger, pinch softly along the edge of the upper lip from the middle out.',
      'Then along the lower lip. Small, quick pinches.',
    ],
    short: 'Small pinches along both lip lines.',
    form: [
      'From the middle to the corners.',
      'Soft, so that the skin only warms.',
      'Let the jaw hang.',
    ],
    letGo: 'Let go and press the lips together once.',
  },
};
