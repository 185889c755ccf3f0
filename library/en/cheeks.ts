import { type AreaWords, words } from '../shape';

export const cheeks: AreaWords = {
  'full-cheeks-hold': words(
    'Full cheeks hold',
    [
      'Close the lips and fill both cheeks with air, evenly, like two small balloons.',
      'Keep the lips sealed and breathe calmly through the nose.',
    ],
    'Both cheeks full of air, lips sealed, nose breathes.',
    ['Breathe through the nose.', 'Both sides equally full.', 'Chin soft, shoulders low.'],
    'Let the air out and tap the cheeks.',
    {
      easier: [
        'Half full.',
        'Fill the cheeks only halfway and breathe calmly through the nose.',
        'Cheeks half full, nose breathes.',
      ],
      harder: [
        'Against the palms.',
        'Cheeks full. Lay the palms on them and let the cheeks press out against the hands.',
        'Full cheeks press against the palms.',
      ],
    },
  ),
  'full-cheeks-with-taps': words(
    'Full cheeks with taps',
    [
      'Fill both cheeks with air and seal the lips.',
      'Tap one cheek with soft fingertips, one tap a second.',
    ],
    'Cheeks full, tap one side.',
    ['Keep the air in.', 'Nose breathes.', 'Tap all over the cheek.'],
    'Let the air out.',
  ),
  'air-side-to-side': words(
    'Air from side to side',
    ['Fill one cheek with air.', 'Push it slowly over into the other cheek, and back.'],
    'Air from cheek to cheek.',
    ['Lips sealed.', 'All of it, each time.', 'Eyes quiet.'],
    'Let the air out and flutter.',
  ),
  'air-up-and-down': words(
    'Air up and down',
    [
      'Push the air below the upper lip, so that it rounds out.',
      'Then down below the lower lip, and up again.',
    ],
    'Air above, air below.',
    ['Lips sealed.', 'Smooth above the lip.', 'Slow and even.'],
    'Let the air out and flutter.',
  ),
  'smile-pulses': words(
    'Smile pulses',
    [
      'Lips closed, smile halfway, with both corners at one height.',
      'Now draw the smile a little higher and ease it back, once a second.',
    ],
    'Half a smile, small pulses upward.',
    ['Corners stay level.', 'Eyes stay open and calm.', 'Small and steady.'],
    'Let the smile fade and tap the cheeks.',
  ),
  'tucked-lip-smile-pulses': words(
    'Tucked lip smile pulses',
    [
      'Tuck both lips in over the teeth and lift the corners into a smile.',
      'Pulse the smile upward, once a second.',
    ],
    'Lips tucked in, the smile pulses.',
    ['Corners level.', 'Chin smooth.', 'Feel the upper cheeks.'],
    'Roll the lips out and tap the cheeks.',
    {
      harder: [
        'Fingers on the cheekbones.',
        'Lips tucked, smiling. Lay the fingers on the cheekbones and pulse up against their light weight.',
        'Pulse up against the fingers.',
      ],
    },
  ),
  'light-purse-cheek-smile': words(
    'Light purse, cheek smile',
    [
      'Purse the lips very lightly.',
      'Smile with the upper cheeks only, the mouth stays as it is, and hold.',
    ],
    'Lips lightly pursed, the cheeks smile.',
    ['The mouth does not widen.', 'Feel it below the eyes.', 'No squinting.'],
    'Let go and tap the cheeks.',
  ),
  'fish-lips-smile': words(
    'Fish lips with a smile',
    [
      'Draw the cheeks in between the teeth, so that the lips stand like a fish.',
      'Now try to smile, and hold.',
    ],
    'Cheeks drawn in, try to smile.',
    ['Do not bite.', 'Breathe.', 'Forehead quiet.'],
    'Let go and flutter the lips.',
  ),
  'tucked-o-palm-press': words(
    'Tucked O, palm press',
    [
      'Open into a small O with the upper lip tucked in.',
      'Lay the palms on the cheeks and press in lightly while the cheeks try to smile.',
    ],
    'Tucked O, palms press in, the cheeks try to smile.',
    ['Light palms.', 'Elbows low.', 'Eyes open.'],
    'Let go and warm the cheeks with the palms.',
    {
      easier: [
        'The palms only rest.',
        'Tucked O. The palms lie on the cheeks without pressing while the cheeks smile.',
        'Palms only rest on the cheeks.',
      ],
    },
  ),
  'thumb-inside-cheek-resist': words(
    'Thumb inside, cheek resists',
    [
      'With a freshly washed hand, thumb inside the cheek and fingers outside.',
      'Draw the cheek gently outward while it resists, and let it come back.',
    ],
    'Thumb inside; the cheek resists.',
    ['Only with clean hands.', 'The cheek works, not the hand.', 'Slow on the way back.'],
    'Take the hand away and tap the cheek.',
    {
      easier: [
        'From outside only.',
        'Lay the flat fingers on the cheek and let the cheek press out against them.',
        'Cheek presses out against the fingers.',
      ],
    },
  ),
  'o-breathing': words(
    'O breathing',
    [
      'Make a small O with the lips.',
      'Breathe in and let the cheeks draw in; breathe out and let them fill.',
    ],
    'Cheeks in on the in-breath, full on the out-breath.',
    ['Slow and without force.', 'The O stays round.', 'Shoulders low.'],
    'Close the lips and breathe through the nose.',
  ),
};
