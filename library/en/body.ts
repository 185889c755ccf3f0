import { type AreaWords, words } from '../shape';

export const body: AreaWords = {
  'shoulder-rolls-both-ways': words(
    'Shoulder rolls',
    ['Arms hang. Draw the shoulders up toward the ears, then back and down, in one slow circle.'],
    'Slow, full circles with the shoulders.',
    [
      'Keep the neck long.',
      'Breathe in on the way up, out on the way down.',
      'Let the arms hang heavy.',
    ],
    'Let the shoulders drop.',
  ),
  'chest-circles': words(
    'Chest circles',
    [
      'Hands on the knees. Move the breastbone forward, to the side, back and round.',
      'The hips stay where they are; the chest draws a slow circle.',
    ],
    'The breastbone draws a slow circle.',
    ['Keep both seat bones on the chair.', 'Let the head ride along.', 'Even circles.'],
    'Come back to the middle and sit tall.',
  ),
  'elbow-circles-with-breath': words(
    'Elbow circles with the breath',
    [
      'Fingertips on the shoulders, elbows to the sides.',
      'Breathe in as the elbows rise, breathe out as they sink. Large, slow circles.',
    ],
    'Fingers on the shoulders, elbows circle with the breath.',
    ['Rise on the in-breath.', 'Let the shoulder blades glide.', 'Neck long.'],
    'Let the arms hang.',
  ),
  'neck-nods-with-breath': words(
    'Neck nods with the breath',
    [
      'Breathe in and lift the chin a little; breathe out and let it sink to the chest.',
      'Small and slow, only as far as it is easy.',
    ],
    'Chin rises on the in-breath, sinks on the out-breath.',
    ['Teeth apart.', 'Let the back of the neck lengthen.', 'Never to the end of the range.'],
    'Chin level again.',
    {
      easier: [
        'The chin never rises above level.',
        'Begin level. Breathe out and let the chin sink; breathe in and come back to level.',
        'Sink on the out-breath, level on the in-breath.',
      ],
    },
  ),
  'chin-over-shoulder': words(
    'Chin over the shoulder',
    [
      'Sit tall and turn the head slowly to look over the shoulder.',
      'Stay there for five breaths, only as far as it is easy.',
    ],
    'Turn the head and breathe there.',
    [
      'Both shoulders stay low.',
      'Keep the chin level.',
      'A little further only if the neck offers it.',
    ],
    'Come back to the middle.',
  ),
  'side-lean-with-hand': words(
    'Side lean with the hand',
    [
      'Let the head lean to the side and lay the hand of that side on it, without pulling.',
      'The other shoulder grows heavy. Breathe there.',
    ],
    'Lean to the side; the hand only rests there.',
    [
      'The hand is a weight, it does not pull.',
      'Let the far shoulder sink.',
      'Keep the face soft.',
    ],
    'Lift the head back to the middle.',
    {
      easier: [
        'Without the hand.',
        'Let the head lean to the side by its own weight; both hands stay in the lap.',
        'Lean by the weight of the head alone.',
      ],
      harder: [
        'Rocking with the breath.',
        'Lean to the side with the hand resting, and rock a little nearer and back with each breath.',
        'Lean and rock gently with the breath.',
      ],
    },
  ),
  'side-lean-tapping': words(
    'Side lean with tapping',
    [
      'Let the head lean to the side, both shoulders low.',
      'With the free hand tap softly from below the ear to the shoulder and back.',
    ],
    'Lean, and tap the long side of the neck.',
    ['Tap as light as rain.', 'Let the far shoulder sink.', 'Breathe on.'],
    'Back to the middle and compare both sides.',
    {
      easier: [
        'With the head upright.',
        'Keep the head level and tap softly from below the ear to the shoulder and back.',
        'Head level, tap from ear to shoulder.',
      ],
    },
  ),
  'head-half-circles': words(
    'Head half circles',
    [
      'Let the chin sink to the chest.',
      'Roll it slowly along the collarbone to one shoulder, through the middle, to the other. Only in front.',
    ],
    'Chin rolls from shoulder to shoulder, only in front.',
    ['Never over the back.', 'Slow as honey.', 'Teeth apart.'],
    'Come back to the middle and lift the head.',
  ),
  'elbows-wide-elbows-in': words(
    'Elbows wide, elbows in',
    [
      'Hands lightly behind the head. Open the elbows wide and count five.',
      'Then draw them in, chin to the chest, and count five. No pulling.',
    ],
    'Elbows wide for five, in for five.',
    ['The hands do not pull.', 'Wide: lift the breastbone.', 'In: feel the back of the neck.'],
    'Let go of the head and shake out the arms.',
    {
      easier: [
        'The head stays level.',
        'Hands behind the head, elbows wide and count five; then elbows in, head level, and count five.',
        'Elbows wide, elbows in, the head stays level.',
      ],
    },
  ),
};
