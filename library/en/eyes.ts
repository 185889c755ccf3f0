import { type AreaWords, words } from '../shape';

const SOFT = 'Lids only close, without squeezing.';
const FREE = 'Without the hands.';

export const eyes: AreaWords = {
  'temple-palms-squeeze': words(
    'Temple palms, lids closed firmly',
    [
      'Lay the palms on the temples and draw the skin gently back and up.',
      'Close the lids firmly against the draw, and hold.',
    ],
    'Palms draw back, lids close firmly, hold.',
    ['Brows stay apart.', 'Jaw loose.', 'Keep breathing.'],
    'Open slowly and let the hands go.',
    {
      easier: [
        SOFT,
        'Palms rest on the temples. Let the lids close softly and stay closed, without squeezing.',
        'Lids softly closed.',
      ],
    },
  ),
  'temple-palms-pulse': words(
    'Temple palms, lid pulses',
    [
      'Palms on the temples, drawing gently back and up.',
      'Close the lids firmly and ease off again, in a steady pulse.',
    ],
    'Palms draw back, the lids pulse.',
    ['Ease off all the way.', 'Cheeks stay low.', 'Even rhythm.'],
    'Rest the eyes, closed.',
    {
      easier: [
        SOFT,
        'Palms rest on the temples. Close the lids softly and open again, slowly.',
        'Close softly, open softly.',
      ],
    },
  ),
  'lower-lid-lifts': words(
    'Lower lid lifts',
    [
      'Ring fingers rest at the outer corners of the eyes, on the bone, feather-light.',
      'Look up a little and draw the lower lids upward, as if against bright light, and let go.',
    ],
    'Lower lids lift and let go.',
    ['Brows stay where they are.', 'Cheeks stay out of it.', 'Soft hands.'],
    'Close the eyes and let them rest.',
    {
      easier: [
        FREE,
        'Hands in the lap. Look up a little and draw the lower lids upward, and let go.',
        'Lower lids lift, no hands.',
      ],
    },
  ),
  'finger-rings-squint': words(
    'Finger rings, squint and let go',
    [
      'Make rings of thumbs and index fingers and set them on the bone round the eyes, feather-light.',
      'Squint gently against the rings, and let go.',
    ],
    'Rings on the bone; squint and let go.',
    ['The fingers stay on bone.', 'Soft, no frown.', 'Let go all the way.'],
    'Take the hands away and blink.',
    {
      easier: [
        FREE,
        'Without the rings, narrow the eyes a little and let go.',
        'Narrow the eyes and let go.',
      ],
    },
  ),
  'outer-corner-lift': words(
    'Outer corner lift with the breath',
    [
      'Ring fingers at the outer corners, on bone, lifting feather-light.',
      'Open the eyes wide on the in-breath; narrow them softly on the out-breath.',
    ],
    'Wide on the in-breath, narrow on the out-breath.',
    ['Forehead smooth.', 'Feather-light fingers.', 'Slow breath.'],
    'Close the eyes and rest.',
    {
      easier: [
        FREE,
        'Hands in the lap. Eyes wide on the in-breath, softly narrow on the out-breath.',
        'Wide and narrow with the breath, no hands.',
      ],
    },
  ),
  'forehead-palms-eyes-wide': words(
    'Palms on the forehead, eyes wide',
    [
      'Lay both palms flat on the forehead and hold it still.',
      'Open the eyes wide and count to ten.',
    ],
    'Palms hold the forehead, eyes wide.',
    ['Only the lids open.', 'Look at something far away.', 'Breathe.'],
    'Close the eyes and let the hands sink.',
  ),
  'gaze-side-to-side': words(
    'Gaze from side to side',
    ['The head stays still. Look slowly to one side, then slowly to the other.'],
    'Eyes to one side, then the other, head still.',
    ['Slow and smooth.', 'Brows quiet.', 'Blink when you like.'],
    'Close the eyes for a moment.',
  ),
  'gaze-far-holds': words(
    'Far gaze, held',
    ['The head stays still. Look as far to the side as it is easy, and stay there.'],
    'Eyes far to the side, and stay.',
    ['Easy, no strain.', 'Jaw loose.', 'Breathe.'],
    'Back to the middle and close the eyes.',
  ),
  'gaze-up-and-down': words(
    'Gaze up and down',
    ['The head stays still. Look slowly up, then slowly down.'],
    'Eyes up, eyes down, head still.',
    ['The forehead does not climb along.', 'Slow and smooth.', 'Chin level.'],
    'Close the eyes for a moment.',
  ),
  'gaze-up-hold': words(
    'Gaze up, held',
    ['Chin level. Look up with the eyes only, and stay there.'],
    'Eyes up, and stay.',
    ['Forehead smooth.', 'No strain.', 'Breathe.'],
    'Close the eyes and rest.',
  ),
  'gaze-down-hold': words(
    'Gaze down, held',
    ['Chin level. Look down with the eyes only, lids a little open, and stay there.'],
    'Eyes down, and stay.',
    ['Chin stays level.', 'Brows apart.', 'Breathe.'],
    'Close the eyes and rest.',
  ),
  'gaze-circles': words(
    'Gaze circles',
    ['The head stays still. Let the eyes draw a slow, large circle.'],
    'Eyes circle slowly, head still.',
    ['Visit every corner.', 'Blink when you like.', 'Soft brow.'],
    'Close the eyes and let them float.',
  ),
  'gaze-at-brow-centre': words(
    'Gaze at the brow centre',
    ['Let the eyes turn up and in, as if to look at the place between the brows. Stay softly.'],
    'Eyes to the brow centre, softly.',
    ['Stop if it is unpleasant.', 'No frown.', 'Slow breath.'],
    'Close the eyes and rest.',
  ),
  'slow-gaze-arcs': words(
    'Slow gaze arcs',
    [
      'Let the eyes draw a slow arc over the top, from one side to the other and back.',
      'Watch in the mirror that the forehead stays still.',
    ],
    'Eyes draw an arc, forehead still.',
    ['As slow as a breath.', 'Forehead still.', 'Chin level.'],
    'Close the eyes and rest.',
  ),
  'look-up-lift-lower-lids': words(
    'Look up, lift the lower lids',
    ['Chin level, look up.', 'Draw only the lower lids upward, and let them sink.'],
    'Looking up, the lower lids lift.',
    ['The brows do nothing.', 'Small and clear.', 'Breathe.'],
    'Blink softly and rest.',
  ),
};
