import type { AreaWords } from '../shape';

export const eyesAndBrow: AreaWords = {
  'braced-brow-slow-blink': {
    name: 'Braced brow, slow blink',
    setup: [
      'Lay the palms flat along the hairline and hold the forehead still.',
      'Open the eyes wide without lifting the brows, then close them slowly, and open again.',
      'Only the lids move. The hands make sure of it.',
    ],
    short: 'Palms hold the forehead; only the lids move.',
    form: [
      'Forehead stays smooth.',
      'Keep breathing, shoulders down.',
      'Slowly, as if the lids were heavy.',
    ],
    letGo: 'Let go, and tap round the eyes on the bone.',
  },
  'lower-lid-lifts': {
    name: 'Lower lid lifts',
    setup: [
      'Ring fingers rest at the outer corners of the eyes, on the bone, feather-light.',
      'Look up a little and draw the lower lids upward, as if against bright light, and let go.',
    ],
    short: 'Lower lids lift and let go.',
    form: ['Brows stay where they are.', 'Cheeks stay out of it.', 'Soft hands.'],
    letGo: 'Close the eyes and let them rest.',
  },
  'hairline-press-look-down': {
    name: 'Hairline press, look down',
    setup: [
      'Lay the edge of both hands along the hairline, and press it gently back and up.',
      'Keep the head still and look down with the eyes only.',
    ],
    short: 'Hands press the hairline, eyes look down.',
    form: ['The head stays level.', 'Soften the jaw.', 'Press without sliding.'],
    letGo: 'Let go and stroke the forehead out to the temples.',
  },
  'under-eye-ring-finger-sweep': {
    name: 'Ring finger sweep under the eyes',
    setup: [
      'Ring fingers at the inner corners, on the bone below the eye.',
      'Glide outward to the temples as light as a feather. The skin does not move along.',
    ],
    short: 'Ring fingers glide out along the bone, feather-light.',
    form: ['Only on the bone.', 'So light that the skin stays put.', 'Eyes closed, if you like.'],
    letGo: 'Rest the fingers on the temples.',
  },
  'between-brows-point': {
    name: 'Point between the brows',
    setup: [
      'Set the middle finger between the brows and let the forehead sink into it.',
      'Breathe out while you press, then circle slowly.',
    ],
    short: 'One finger between the brows; press and breathe.',
    form: ['Firm, but pleasant.', 'The brows drift apart.', 'Slow breath out.'],
    letGo: 'Let go and stroke outward over the brows.',
  },
  'forehead-finger-sweeps': {
    name: 'Forehead finger sweeps',
    setup: [
      'All fingertips in the middle of the forehead.',
      'Sweep out to the temples, first above the brows, then across the middle, then along the hairline.',
    ],
    short: 'Sweep from the middle out to the temples.',
    form: [
      'Slow and even on both sides.',
      'End with a short rest on the temples.',
      'Let the eyes be heavy.',
    ],
    letGo: 'Rest on the temples.',
  },
  'ear-squeeze-and-circles': {
    name: 'Ear squeeze and circles',
    setup: [
      'Take the rims of both ears between thumb and index finger.',
      'Squeeze from the top down to the lobe, then draw slow circles with the whole ear.',
    ],
    short: 'Squeeze the rims, then circle the ears.',
    form: ['Warm ears are the aim.', 'Let the jaw hang.', 'Slow circles, both ways.'],
    letGo: 'Let the ears go and feel the warmth.',
  },
  'closing-face-drain': {
    name: 'Closing face drain',
    setup: [
      'With flat hands, stroke from the middle of the face out to the ears: forehead, cheeks, chin.',
      'Then down the sides of the neck to the collarbones, light as silk.',
    ],
    short: 'From the middle out, then down to the collarbones.',
    form: [
      'Always out, then down.',
      'Very light on the neck.',
      'One slow breath with each stroke.',
    ],
    letGo: 'Rest your hands on the collarbones.',
  },
};
