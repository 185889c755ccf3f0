import { type AreaWords, words } from '../shape';

export const mouth: AreaWords = {
  'tall-o-cheek-lift': words(
    'Tall O cheek lift',
    [
      'Fold both lips over the teeth and open the mouth into a long, narrow O.',
      'Now smile with the upper cheeks only, as if lifting them under the eyes.',
      'Lay a fingertip on each cheekbone and feel the muscle rise. The forehead stays quiet.',
    ],
    'Lips over the teeth, long O, and the cheeks lift.',
    [
      'Forehead smooth.',
      'Let the shoulders sink.',
      'Eyes open and easy, no squinting.',
      'Lift a little more on the out-breath.',
    ],
    'Let go, and tap the cheeks lightly.',
    {
      easier: [
        'A small O.',
        'Fold the lips in and open only a finger wide. Lift the upper cheeks and let the jaw rest.',
        'Small O, and the cheeks lift.',
      ],
      harder: [
        'With small pulses.',
        'Long O, cheeks lifted. Now pulse the cheeks a little higher, once a second, without letting go between.',
        'Long O, and the cheeks pulse upward.',
      ],
    },
  ),
  'smiling-o-lip-pulses': words(
    'Smiling O, lip pulses',
    [
      'Make a small O with the lips and let the mouth corners smile.',
      'Pulse the lips a little closer together and apart, once a second.',
    ],
    'Small O, smiling corners, the lips pulse.',
    ['The corners keep smiling.', 'Chin smooth.', 'Small and quick.'],
    'Let the lips flutter.',
  ),
  'o-to-smile': words(
    'From O to smile',
    [
      'Push the lips forward into an O.',
      'Draw them slowly out into a wide smile with closed lips, and back again.',
    ],
    'O, smile, and back to O.',
    ['Slowly both ways.', 'Both corners at one height.', 'Forehead quiet.'],
    'Let the mouth rest and tap round it.',
  ),
  'finger-resisted-chin-scoop': words(
    'Chin scoop against the fingers',
    [
      'Open the mouth a little and fold the lower lip over the teeth.',
      'Two fingers on the chin give a light resistance while the jaw scoops up to close.',
    ],
    'Lower lip folded, scoop up against the fingers.',
    ['Light fingers, no forcing.', 'The head stays still.', 'Lift the mouth corners as you close.'],
    'Let the lip roll out and tap the chin.',
    {
      easier: [
        'Without resistance.',
        'Lower lip folded over the teeth. Scoop up and close softly; the fingers stay away.',
        'Scoop up softly, no fingers.',
      ],
    },
  ),
  'folded-lip-press': words(
    'Folded lip press',
    [
      'Fold both lips in over the teeth, as if to hide them.',
      'Press them together gently and draw the mouth corners straight out, both at one height.',
    ],
    'Lips folded in, corners level, press gently.',
    ['Chin stays smooth.', 'Both corners at one height.', 'Breathe through the nose.'],
    'Let the lips flutter.',
    {
      harder: [
        'With the head back.',
        'Lift the chin, fold both lips in and press gently. Feel it down the front of the neck.',
        'Chin up, lips folded in, press.',
      ],
    },
  ),
  'pucker-hold': words(
    'Pucker hold',
    [
      'Push the lips forward into a firm pucker, as if to reach a straw.',
      'Hold, and keep the skin above the lip smooth.',
    ],
    'Lips forward in a pucker, and hold.',
    ['No frown.', 'From the corners, not the middle.', 'Breathe through the nose.'],
    'Let the lips flutter.',
  ),
  'corner-pull-against-fingers': words(
    'Corner pull against the fingers',
    [
      'Index fingers on the mouth corners, drawing them gently outward.',
      'Pull the corners together against the fingers, and let go slowly.',
    ],
    'Corners pull in against the fingers.',
    ['The fingers follow slowly.', 'Chin smooth.', 'Same work on both sides.'],
    'Let go and tap the corners.',
  ),
  'corner-squeeze-against-fingers': words(
    'Corner squeeze against the fingers',
    [
      'Lay the index fingers flat beside the mouth corners.',
      'Squeeze the corners against the fingers, as if to hold them, and let go.',
    ],
    'Corners squeeze against the fingers.',
    ['Lips stay soft in the middle.', 'Short and clear.', 'Jaw loose.'],
    'Let go and stroke outward.',
  ),
  'thumbs-level-corners': words(
    'Level the corners',
    [
      'Look into the mirror. Thumbs on the chin, index fingers below the mouth corners.',
      'On each in-breath lift both corners to one height; on the out-breath let them down.',
    ],
    'Lift the corners to one height on the in-breath.',
    ['Help the lower side a little more.', 'The chin stays still.', 'Soft eyes.'],
    'Take the hands away and keep the level.',
  ),
  'level-smile-tongue-corners': words(
    'Tongue to the corner, level smile',
    [
      'Smile with both mouth corners at one height.',
      'Press the tongue tip into the corner and hold, without letting the smile tip over.',
    ],
    'Level smile, tongue into the corner.',
    ['Both corners stay level.', 'Eyes stay soft.', 'Shoulders low.'],
    'Let the smile go.',
  ),
  'pen-under-nose': words(
    'Pen under the nose',
    [
      'Hold a pen between the upper lip and the nose.',
      'Keep it there with the lip alone, without a frown.',
    ],
    'Hold the pen with the upper lip.',
    ['Brows stay out of it.', 'Breathe round the pen.', 'If it falls, pick it up and smile.'],
    'Take the pen away and flutter the lips.',
    {
      easier: [
        'Without the pen.',
        'Push the upper lip up toward the nose as if a pen were there, and hold.',
        'Upper lip to the nose, no pen.',
      ],
    },
  ),
  'slow-wide-vowels': words(
    'Slow, wide vowels',
    [
      'Say the vowels without a sound, very slowly and very wide: A, E, I, O, U.',
      'The mouth does all of it; the forehead stays still.',
    ],
    'A, E, I, O, U, slow and wide, forehead still.',
    ['Look at the forehead in the mirror.', 'Each vowel to its end.', 'Shoulders low.'],
    'Let the jaw hang.',
    {
      easier: [
        'Small vowels.',
        'Say the vowels slowly with a small mouth, the jaw nearly still.',
        'Small, slow vowels.',
      ],
    },
  ),
  'lip-flutter': words(
    'Lip flutter',
    ['Let the breath out through loose lips, so that they flutter like a horse.'],
    'Let the lips flutter.',
    ['Cheeks loose.', 'A finger on each corner helps.', 'With a low hum, if you like.'],
    'Let the lips come to rest.',
  ),
  'quick-lip-pinches': words(
    'Quick lip pinches',
    ['With thumb and index finger, pinch the lips themselves, softly and quickly, all round.'],
    'Quick, soft pinches round the lips.',
    ['As soft as picking berries.', 'Upper and lower lip.', 'Let the jaw hang.'],
    'Press the lips together once.',
  ),
  'kiss-press': words(
    'Kiss press',
    ['Lay two flat fingers on the lips.', 'Press a kiss against them, hold a moment, and let go.'],
    'Kiss against the fingers and let go.',
    ['The fingers only stand there.', 'No lines above the lip.', 'Even rhythm.'],
    'Let the lips flutter.',
  ),
  'closed-mouth-tongue-circles': words(
    'Tongue circles, mouth closed',
    [
      'Lips closed. Let the tongue tip circle between teeth and lips, all the way round.',
      'Slow and large.',
    ],
    'The tongue circles behind closed lips.',
    ['Reach every corner.', 'Jaw loose.', 'Lips stay together.'],
    'Let the tongue rest and swallow.',
  ),
};
