import { type AreaWords, words } from '../shape';

export const scalp: AreaWords = {
  'collarbone-to-crown-tapping': words(
    'Collarbone to crown tapping',
    [
      'With soft fingertips, tap along the collarbone and up the sides of the neck.',
      'Go on over jaw, mouth and cheeks, feather-light under the eyes, to the temples, forehead and crown.',
      'Then down the back of the neck to the shoulders and round to the start.',
    ],
    'Tap from the collarbone up to the crown and back round.',
    ['Light as rain, from loose wrists.', 'Under the eyes only on the bone.', 'Keep breathing.'],
    'Rest the hands and feel the skin wake up.',
    {
      easier: [
        'Leaves the eyes out.',
        'Tap the same way, but go from the cheeks straight to the temples, well away from the eyes.',
        'Tap up to the crown, past the eyes.',
      ],
    },
  ),
  'whole-face-light-tapping': words(
    'Whole face light tapping',
    [
      'Soft fingertips of both hands tap over the whole face, from the chin to the forehead.',
      'Feather-light below the eyes, and only on the bone.',
    ],
    'Tap the whole face, as light as drizzle.',
    ['Loose wrists.', 'No place is tapped twice in a row.', 'Let the jaw hang.'],
    'Let the hands sink.',
    {
      easier: [
        'Leaves the eyes out.',
        'Tap chin, cheeks and forehead only, well away from the eyes.',
        'Tap chin, cheeks and forehead.',
      ],
    },
  ),
  'spread-finger-drumming': words(
    'Spread finger drumming',
    ['Spread your fingers and drum with soft tips all over the scalp, like a shower of rain.'],
    'Drum over the whole scalp.',
    ['From loose wrists.', 'Also behind the ears.', 'Shoulders low.'],
    'Stop, and feel it go on.',
  ),
  'hair-root-lifts': words(
    'Hair root lifts',
    [
      'Slide the fingers into the hair, close to the roots, and close them to soft fists.',
      'Lift gently, hold a moment, let go, and take the next place.',
    ],
    'Soft fists at the roots; lift and let go.',
    ['A lift, not a tug.', 'Breathe out as you let go.', 'Wander over the whole head.'],
    'Comb the hair back with your fingers.',
  ),
  'hair-root-circles': words(
    'Hair root circles',
    [
      'Spread your fingers and set them firmly on the scalp, above the ears.',
      'Move the skin over the bone in small circles, then walk up toward the crown.',
    ],
    'Fingers spread on the scalp; move the skin, not the hair.',
    [
      'The fingers stay put; the scalp moves.',
      'Let the jaw hang loose.',
      'Slow circles, a little higher each time.',
    ],
    'Let go and shake out the hands.',
  ),
  'fingers-together-on-the-scalp': words(
    'Fingers together on the scalp',
    [
      'Set the spread fingers of both hands on the sides of the head.',
      'Press the fingertips toward each other, so that the scalp gathers, and let go.',
    ],
    'Gather the scalp between the hands and let go.',
    ['Press slowly.', 'Feel the skin slide on the bone.', 'A new place each time.'],
    'Let the hands drop.',
  ),
  'shampoo-kneading': words(
    'Shampoo kneading',
    ['Knead the whole scalp with all ten fingers, as if you washed your hair with plenty of foam.'],
    'Knead the whole scalp.',
    ['Down to the nape, too.', 'Firm, but pleasant.', 'Let the shoulders hang.'],
    'Shake out the hands.',
  ),
  'crown-circles': words(
    'Crown circles',
    [
      'Lay one palm flat on the top of the head, its heel at the hairline: the middle fingertip finds the crown.',
      'Circle there slowly, ten times.',
    ],
    'Middle finger on the crown, ten slow circles.',
    ['Steady pressure, never sore.', 'Grow tall toward the finger.', 'Even breath.'],
    'Let go and feel the top of the head.',
  ),
  'back-of-crown-circles': words(
    'Back of the crown circles',
    [
      'From the crown, go two finger widths toward the back of the head.',
      'Circle there slowly with the middle fingers, ten times.',
    ],
    'Two finger widths behind the crown, ten slow circles.',
    ['Chin level.', 'Steady pressure, never sore.', 'Let the eyes close.'],
    'Let the hands glide down the back of the neck.',
  ),
};
