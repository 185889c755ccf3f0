import { type AreaWords, words } from '../shape';

const FEATHER = 'Feather-light, with flat fingers.';

export const massage: AreaWords = {
  'forehead-finger-sweeps': words(
    'Forehead finger sweeps',
    [
      'All fingertips in the middle of the forehead.',
      'Sweep out to the temples, first above the brows, then across the middle, then along the hairline.',
    ],
    'Sweep from the middle out to the temples.',
    [
      'Slow and even on both sides.',
      'End with a short rest on the temples.',
      'Let the eyes be heavy.',
    ],
    'Rest on the temples.',
  ),
  'forehead-knuckle-fans': words(
    'Forehead knuckle fans',
    [
      'Soft fists in the middle of the forehead.',
      'Roll the knuckles open like a fan, up to the hairline and out.',
    ],
    'Knuckles open like a fan.',
    ['Roll, do not dig.', 'One breath a fan.', 'Shoulders low.'],
    'Smooth the forehead with the palms.',
    {
      easier: [
        FEATHER,
        'Fan out with flat fingers instead of knuckles, as light as a feather.',
        'Flat fingers fan out lightly.',
      ],
    },
  ),
  'forehead-fist-slides': words(
    'Forehead fist slides',
    [
      'Set the flat of a soft fist between the brows.',
      'Slide slowly up to the hairline; the other fist follows.',
    ],
    'Fists slide up to the hairline.',
    ['Enough oil to glide.', 'Slow, no scrubbing.', 'Breathe out on the way up.'],
    'Smooth the forehead with the palms.',
    {
      easier: [
        FEATHER,
        'Slide up with flat fingers, as light as a feather.',
        'Flat fingers slide up.',
      ],
    },
  ),
  'forehead-opposing-hands': words(
    'Opposing hands on the forehead',
    [
      'Lay the hands on the forehead, one a little above the other.',
      'Slide them past each other on a slant, one up, one down.',
    ],
    'Hands slide past each other on a slant.',
    ['Flat and soft.', 'From side to side over the whole forehead.', 'Let the jaw hang.'],
    'Rest both hands on the forehead.',
  ),
  'brow-pinches': words(
    'Brow pinches',
    [
      'Take the brows between thumb and index finger, at the inner end.',
      'Pinch softly along to the outer end, small steps.',
    ],
    'Pinch along the brows from inner to outer end.',
    ['Hold each pinch for a moment.', 'Brows apart.', 'Soft fingers.'],
    'Stroke outward over the brows.',
  ),
  'brow-presses': words(
    'Brow presses',
    [
      'Index fingers at the heads of the brows.',
      'Press gently on the bone, let go, and move a finger width outward.',
    ],
    'Press along the brow bone, head to tail.',
    ['On bone only.', 'Breathe out as you press.', 'Same pressure on both sides.'],
    'Rest on the temples.',
  ),
  'thumbs-lift-under-brow': words(
    'Thumbs lift under the brow',
    [
      'Set the thumbs on the bone under the brows, near the nose.',
      'Lift up against the bone feather-light, and move outward step by step.',
    ],
    'Thumbs lift along the bone under the brow.',
    ['On bone, never on the eye.', 'Feather-light.', 'Let the head rest on the thumbs.'],
    'Close the eyes and rest.',
  ),
  'hook-strokes-between-brows': words(
    'Hook strokes between the brows',
    [
      'Middle fingers at the bridge of the nose.',
      'Stroke up between the brows and hook outward over one brow, then the other.',
    ],
    'Up between the brows and out, in turn.',
    ['Light and flowing.', 'One hand after the other.', 'Let the frown melt.'],
    'Rest a finger between the brows.',
  ),
  'under-eye-circles': words(
    'Ring finger circles under the eyes',
    [
      'Ring fingers on the bone below the inner corners.',
      'Tiny, feather-light circles, moving outward along the bone.',
    ],
    'Tiny circles along the bone under the eyes.',
    ['Only on the bone.', 'The skin does not move along.', 'Eyes closed, if you like.'],
    'Rest on the temples.',
  ),
  'under-eye-ring-finger-sweep': words(
    'Ring finger sweep under the eyes',
    [
      'Ring fingers at the inner corners, on the bone below the eye.',
      'Glide outward to the temples as light as a feather. The skin does not move along.',
    ],
    'Ring fingers glide out along the bone, feather-light.',
    ['Only on the bone.', 'So light that the skin stays put.', 'Eyes closed, if you like.'],
    'Rest the fingers on the temples.',
  ),
  'cheek-pinches': words(
    'Cheek pinches',
    [
      'With thumb and index finger, pinch the cheeks softly and quickly, from the nose to the ears.',
    ],
    'Quick, soft pinches over the cheeks.',
    ['Take a little, let go at once.', 'Rosy is enough.', 'Below the cheekbone, too.'],
    'Lay the palms on the warm cheeks.',
  ),
  'cheekbone-clamp-sweeps': words(
    'Cheekbone clamp sweeps',
    [
      'Take the cheekbones between index and middle fingers, beside the nose.',
      'Sweep along the bone to the ears.',
    ],
    'Index above, middle finger below, sweep to the ears.',
    ['Follow the bone.', 'Stay below the eye.', 'Slow and even.'],
    'Rest in front of the ears.',
    {
      easier: [
        FEATHER,
        'Sweep along the cheekbones with flat fingers, as light as a feather.',
        'Flat fingers along the cheekbone.',
      ],
    },
  ),
  'under-cheekbone-points': words(
    'Points under the cheekbone',
    [
      'Set two fingertips beside the nostrils, in the hollow under the cheekbone.',
      'Small circles there, then a finger width outward, and again, three places in all.',
    ],
    'Small circles in the hollow under the cheekbone.',
    [
      'Press up against the bone, not into the teeth.',
      'Breathe out while you press.',
      'Pleasant, never sore.',
    ],
    'Let go and sweep out to the ears.',
    {
      easier: [
        FEATHER,
        'Rest the fingers under the cheekbone and circle as light as a feather.',
        'Feather-light circles under the cheekbone.',
      ],
    },
  ),
  'alternate-cheek-lifts': words(
    'Alternate cheek lifts',
    [
      'Both hands work on one side of the face.',
      'Stroke up from the jaw to the cheekbone, one hand after the other, without a break.',
    ],
    'One hand after the other, up over the cheek.',
    ['Always one hand on the cheek.', 'Flat and warm.', 'Mouth loose.'],
    'Compare both sides.',
  ),
  'corner-to-ear-pulls': words(
    'Pulls from mouth corner to ear',
    ['Fingertips beside the mouth corners.', 'Draw slowly up and out to the ears.'],
    'From the mouth corners to the ears.',
    ['Glide, do not stretch.', 'Even on both sides.', 'Lips soft.'],
    'Rest in front of the ears.',
  ),
  'chin-to-ear-hooks': words(
    'Hooks from chin to ear',
    [
      'Take the edge of the jaw between hooked index fingers and thumbs, at the chin.',
      'Glide along the jaw to the ears.',
    ],
    'Glide along the jaw from chin to ear.',
    ['Along the bone.', 'Teeth apart.', 'Slow at the angle of the jaw.'],
    'Rest below the ears.',
  ),
  'jawline-pinches': words(
    'Jawline pinches',
    [
      'Pinch the edge of the jaw softly, from the chin outward in small steps.',
      'At the end press gently below the ears.',
    ],
    'Pinch along the jaw, press below the ears.',
    ['Small steps.', 'The press comes on the out-breath.', 'Teeth apart.'],
    'Stroke down the sides of the neck.',
  ),
  'lip-line-pinches': words(
    'Lip line pinches',
    [
      'With thumb and index finger, pinch softly along the edge of the upper lip from the middle out.',
      'Then along the lower lip. Small, quick pinches.',
    ],
    'Small pinches along both lip lines.',
    ['From the middle to the corners.', 'Soft, so that the skin only warms.', 'Let the jaw hang.'],
    'Let go and press the lips together once.',
  ),
  'ear-squeeze-and-circles': words(
    'Ear squeeze and circles',
    [
      'Take the rims of both ears between thumb and index finger.',
      'Squeeze from the top down to the lobe, then draw slow circles with the whole ear, and shake it softly.',
    ],
    'Squeeze the rims, circle and shake the ears.',
    ['Warm ears are the aim.', 'Let the jaw hang.', 'Slow circles, both ways.'],
    'Let the ears go and feel the warmth.',
  ),
  'neck-sweep-to-collarbone': words(
    'Neck sweep to the collarbone',
    [
      'With the flat of the opposite hand, stroke from below the ear down the side of the neck.',
      'Slow and light, and out along the collarbone.',
    ],
    'Light strokes from the ear down to the collarbone.',
    [
      'As light as stroking a cat.',
      'Always downward, to the collarbone.',
      'Only one side at a time.',
    ],
    'Rest the hand on the collarbone.',
  ),
  'side-knuckle-rolls': words(
    'Knuckle rolls, one side',
    [
      'Soft fists on one side of the face.',
      'Roll the knuckles up from the jaw to the cheekbone and down again, slowly.',
    ],
    'Knuckles roll up and down one side.',
    ['Roll like dough.', 'Ease off at once if it hurts.', 'Teeth apart.'],
    'Smooth the side with a flat hand.',
    {
      easier: [
        FEATHER,
        'Stroke up and down the side with flat fingers, as light as a feather.',
        'Flat strokes up and down.',
      ],
    },
  ),
  'upward-slides': words(
    'Upward slides',
    [
      'Flat hands at the collarbone.',
      'Slide up over the sides of the neck and the cheeks to the temples.',
    ],
    'Slide up from the collarbone to the temples.',
    [
      'Never both hands on the front of the neck.',
      'Slow and whole-handed.',
      'Breathe in on the way up.',
    ],
    'Rest on the temples.',
  ),
  'downward-drain-slides': words(
    'Downward drain slides',
    [
      'Flat hands on the temples.',
      'Slide down in front of the ears and along the sides of the neck to the collarbone, as light as silk.',
    ],
    'From the temples down to the collarbone.',
    ['Always down.', 'Feather-light on the neck.', 'One slow breath a stroke.'],
    'Rest the hands on the collarbones.',
  ),
  'closing-face-drain': words(
    'Closing face drain',
    [
      'With flat hands, stroke from the middle of the face out to the ears: forehead, cheeks, chin.',
      'Then down the sides of the neck to the collarbones, light as silk.',
    ],
    'From the middle out, then down to the collarbones.',
    ['Always out, then down.', 'Very light on the neck.', 'One slow breath with each stroke.'],
    'Rest your hands on the collarbones.',
  ),
  'closing-free-massage': words(
    'Free massage',
    [
      'Now give your face what it asks for: stroke, circle or just rest the hands, as long as it feels good.',
    ],
    'What the face asks for.',
    ['Stay where it is pleasant.', 'Under the eyes only on bone.', 'No hurry.'],
    'Let the hands come to rest.',
  ),
};
