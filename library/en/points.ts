import { type AreaWords, words } from '../shape';

export const points: AreaWords = {
  'between-brows-point': words(
    'Point between the brows',
    [
      'Set the middle finger between the brows and let the forehead sink into it.',
      'Breathe out while you press, then circle slowly.',
    ],
    'One finger between the brows; press and circle.',
    ['Firm, but pleasant.', 'The brows drift apart.', 'Slow breath out.'],
    'Let go and stroke outward over the brows.',
  ),
  'above-brow-points': words(
    'Points above the brows',
    [
      'Middle fingers above the brows, in line with the pupils.',
      'Press gently, breathe, then circle slowly.',
    ],
    'Above the brows, press and circle.',
    ['In line with the pupils.', 'Eyes closed, if you like.', 'Pleasant, never sore.'],
    'Sweep out to the temples.',
  ),
  'front-of-ear-point': words(
    'Point in front of the ear',
    [
      'Open the mouth a little and find the hollow in front of the ears.',
      'Close softly, rest the fingers there, and circle slowly.',
    ],
    'Fingers in the hollow in front of the ear, circle.',
    ['Teeth apart.', 'Lightly; the joint is near.', 'Stop if it clicks or hurts.'],
    'Let the jaw hang.',
    {
      easier: [
        'The fingers only rest.',
        'Rest the fingers in front of the ears without pressing, and breathe.',
        'Fingers only rest there.',
      ],
    },
  ),
  'temple-points': words(
    'Temple points',
    ['Two fingertips on each temple, in the soft hollow.', 'Rest, breathe out, and circle slowly.'],
    'Fingertips on the temples, circle.',
    ['Light pressure.', 'Jaw loose.', 'Eyes heavy.'],
    'Let go and feel the width of the forehead.',
  ),
  'skull-base-points': words(
    'Points at the base of the skull',
    [
      'Thumbs in the hollows on both sides of the neck, just under the skull.',
      'Let the head rest on them, and circle slowly.',
    ],
    'Thumbs under the skull, the head rests, circle.',
    ['Chin level.', 'The head grows heavy.', 'Long out-breath.'],
    'Stroke down the back of the neck.',
  ),
  'below-ear-point': words(
    'Point below the ear',
    [
      'Middle fingers in the hollow below the ear lobes, behind the jaw.',
      'Rest, breathe out, and circle slowly.',
    ],
    'Below the ear lobes, circle.',
    ['Light pressure.', 'Tongue resting.', 'Shoulders low.'],
    'Stroke down to the collarbone.',
  ),
  'crown-point': words(
    'Crown point',
    [
      'Middle fingers on the highest place of the head.',
      'Press gently, breathe, and circle slowly.',
    ],
    'On the crown, press and circle.',
    ['Grow toward the fingers.', 'Pleasant, never sore.', 'Quiet eyes.'],
    'Let go and feel the crown.',
  ),
};
