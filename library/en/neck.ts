import { type AreaWords, words } from '../shape';

const LEVEL = 'The chin stays level.';

export const neck: AreaWords = {
  'anchored-jaw-forward': words(
    'Anchored neck, jaw forward',
    [
      'Lay both hands flat below the collarbones and hold the skin down gently.',
      'Lift the chin as far as the neck likes, then slide the lower jaw forward and feel the front of the neck lengthen.',
    ],
    'Hands hold below the collarbones, chin up, jaw slides forward.',
    ['The back of the neck stays long.', 'Teeth apart, lips soft.', 'Breathe low and slow.'],
    'Lower the chin and stroke the neck lightly downward.',
    {
      easier: [
        LEVEL,
        'Hands below the collarbones, chin level. Slide the lower jaw forward and feel the front of the neck.',
        'Chin level, jaw slides forward.',
      ],
    },
  ),
  'anchored-jaw-three-ways': words(
    'Anchored neck, three ways',
    [
      'Hands below the collarbones, chin lifted, lower jaw forward.',
      'Hold in the middle, then with the head turned a little left, then a little right.',
    ],
    'Jaw forward in the middle, left, right.',
    ['Turn only a little.', 'The hands hold, they do not press.', 'Breathe at every stop.'],
    'Back to the middle, chin down, stroke the neck.',
    {
      easier: [
        LEVEL,
        'Hands below the collarbones, chin level. Jaw forward in the middle, then turned left, then right.',
        'Chin level; jaw forward in the middle, left, right.',
      ],
    },
  ),
  'anchored-tongue-curl': words(
    'Anchored neck, tongue curled back',
    [
      'Hands below the collarbones, chin lifted.',
      'Curl the tongue tip back along the palate and hold it there, lips closed.',
    ],
    'Chin up, tongue curled back.',
    ['The lips stay soft.', 'Feel it under the chin.', 'Keep breathing through the nose.'],
    'Let the tongue lie flat and lower the chin.',
    {
      easier: [
        LEVEL,
        'Hands below the collarbones, chin level. Curl the tongue tip back along the palate and hold.',
        'Chin level, tongue curled back.',
      ],
    },
  ),
  'anchored-lip-corners-back': words(
    'Anchored neck, corners back',
    [
      'Hands below the collarbones, chin lifted.',
      'Draw the lower lip over the teeth and the mouth corners back, and feel the skin of the neck tighten.',
    ],
    'Chin up, lower lip over the teeth, corners back.',
    ['Upper face quiet.', 'Shoulders low.', 'Breathe on.'],
    'Let the mouth go and stroke the neck downward.',
    {
      easier: [
        LEVEL,
        'Hands below the collarbones, chin level. Lower lip over the teeth, mouth corners back.',
        'Chin level, corners back.',
      ],
    },
  ),
  'jaw-open-close-looking-up': words(
    'Open and close, looking up',
    [
      'Lift the chin and look up.',
      'Open the mouth slowly and close it slowly, as if chewing a very soft apple.',
    ],
    'Looking up, open and close slowly.',
    ['Slowly, also on the way back.', 'Feel it under the chin.', 'Stop before anything clicks.'],
    'Lower the chin and let the jaw hang.',
    {
      easier: [
        'Chin level and a small opening.',
        'Chin level. Open only a finger wide and close slowly.',
        'Chin level, small opening.',
      ],
    },
  ),
  'wrist-cradle-chin-press': words(
    'Chin in the cradle',
    [
      'Put the wrists together and lay the chin in the hands as in a cradle.',
      'Press the chin down and forward into the hands, hold a moment, and let go.',
    ],
    'Press the chin into the hands and let go.',
    ['The hands hold against it, lightly.', 'Back of the neck long.', 'Teeth apart.'],
    'Let the chin rest in the hands.',
    {
      easier: [
        'Without pressing.',
        'Chin in the cradle. Only think of pressing down, and feel the muscle wake under the chin.',
        'Only think of pressing.',
      ],
    },
  ),
  'front-neck-pulses': words(
    'Front of the neck pulses',
    [
      'Lay the flat fingers of one hand lightly on the front of the neck, without pressing.',
      'Tighten the skin of the neck toward the hand and let go, once a second, mouth corners down.',
    ],
    'The skin of the neck pulses toward the hand.',
    ['The fingers never press.', 'Short and light.', 'Jaw loose.'],
    'Stroke lightly down to the collarbone.',
  ),
  'chin-glide-against-fingers': words(
    'Chin glide against the fingers',
    [
      'Two fingers on the tip of the chin.',
      'Glide the chin straight forward against a light resistance, and let it come back.',
    ],
    'Chin glides forward against the fingers.',
    ['Straight forward, not up.', 'Light fingers.', 'Slow on the way back, too.'],
    'Let the jaw hang and stroke under the chin.',
    {
      easier: [
        'Without resistance.',
        'Let the chin glide forward and back on its own; the fingers only feel it.',
        'Glide forward and back, no resistance.',
      ],
    },
  ),
  'tongue-palate-press': words(
    'Whole tongue press',
    [
      'Close the lips, teeth a little apart.',
      'Press the whole tongue flat against the roof of the mouth, as if it were a stamp.',
    ],
    'The whole tongue presses up against the palate.',
    ['The back of the tongue presses too.', 'Breathe through the nose.', 'Keep the jaw loose.'],
    'Let the tongue sink and tap under the chin.',
  ),
  'tongue-taps-to-palate': words(
    'Tongue taps to the palate',
    [
      'Turn the head to the side and lift the chin a little.',
      'Tap the tip of the tongue against the roof of the mouth, one tap a second.',
      'You should feel the work under the chin.',
    ],
    'Head turned, tongue tip taps the palate once a second.',
    ['Lips stay closed and soft.', 'Only the tongue works.', 'Shoulders low.'],
    'Back to the middle and swallow once.',
    {
      easier: [
        'The head looks ahead.',
        'Look straight ahead, chin level. Tap the tongue tip against the palate, one tap a second.',
        'Head level, tongue taps the palate.',
      ],
    },
  ),
  'tongue-toward-nose': words(
    'Tongue toward the nose',
    [
      'Stretch the tongue out and up, toward the tip of the nose, and hold it there for a long count.',
    ],
    'Tongue up toward the nose, and hold.',
    ['Chin level.', 'Brows stay out of it.', 'Breathe through the nose.'],
    'Take the tongue in and swallow.',
  ),
  'tongue-corner-to-corner': words(
    'Tongue corner to corner',
    [
      'Stretch the tongue out a little and move its tip from one mouth corner to the other.',
      'Slowly, and touch each corner.',
    ],
    'Tongue tip from corner to corner.',
    ['The jaw stays still.', 'Touch both corners.', 'Eyes soft.'],
    'Tongue in, lips together.',
  ),
  'tongue-to-ceiling': words(
    'Tongue to the ceiling',
    [
      'Lift the chin and stretch the tongue toward the ceiling.',
      'Move it slowly from side to side.',
    ],
    'Chin up, tongue to the ceiling, side to side.',
    ['Back of the neck long.', 'Slow and wide.', 'Feel it under the chin.'],
    'Tongue in, chin down.',
    {
      easier: [
        LEVEL,
        'Chin level. Stretch the tongue out and up, and move it slowly from side to side.',
        'Chin level, tongue up, side to side.',
      ],
    },
  ),
  'swallow-looking-up': words(
    'Swallow, looking up',
    [
      'Turn the head a little to the side and lift the chin.',
      'Press the tongue to the palate, swallow, and keep the press for a moment.',
    ],
    'Head turned and lifted; press and swallow.',
    ['Lips closed.', 'Only lift as far as swallowing is easy.', 'Rest between.'],
    'Chin level, stroke the front of the neck.',
    {
      easier: [
        LEVEL,
        'Chin level, looking ahead. Press the tongue to the palate, swallow, keep the press a moment.',
        'Chin level; press and swallow.',
      ],
    },
  ),
  'side-neck-lift': words(
    'Side of the neck lift',
    [
      'Turn the head and lift the chin a little over the shoulder.',
      'Tighten the long muscle at the side of the neck and hold.',
    ],
    'Turn, lift, and hold the side of the neck.',
    ['The shoulder stays down.', 'Teeth apart.', 'Breathe.'],
    'Back to the middle and stroke down the side.',
  ),
};
