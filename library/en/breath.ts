import { type AreaWords, words } from '../shape';

export const breath: AreaWords = {
  'slow-belly-breaths': words(
    'Slow belly breaths',
    [
      'Sit tall, feet on the floor, and let the shoulders drop.',
      'Lay one hand on the belly. Breathe in through the nose and feel the belly rise.',
    ],
    'One hand on the belly, slow breaths through the nose.',
    [
      'Let the shoulders stay low.',
      'The out-breath is longer than the in-breath.',
      'Let the jaw hang a little.',
    ],
    'Let the breath go its own way.',
  ),
  'nose-in-mouth-out': words(
    'Nose in, mouth out',
    [
      'Breathe in through the nose.',
      'Breathe out through softly parted lips, as if to mist a window.',
    ],
    'In through the nose, out through soft lips.',
    ['Lips soft, no blowing.', 'Shoulders low.', 'Let the out-breath take its time.'],
    'Close the lips and breathe as you like.',
  ),
  'warm-palms-over-eyes': words(
    'Warm palms over the eyes',
    [
      'Rub your palms together until they are warm.',
      'Cup them over your closed eyes, so that nothing touches the lids, and rest.',
    ],
    'Warm the palms and cup them over the eyes.',
    [
      'Let the eyes rest in the dark.',
      'Soften the space between the brows.',
      'Let the elbows hang.',
    ],
    'Lower the hands slowly and open your eyes.',
  ),
  'travelling-palms': words(
    'Travelling palms',
    [
      'Warm the palms and lay them over the eyes for a breath.',
      'Then on the forehead, the cheeks, the jaw, the neck and the chest, a breath each.',
    ],
    'Warm palms, one place after another, a breath each.',
    ['The hands only rest.', 'Let the face grow heavy.', 'Move on with the out-breath.'],
    'Let the hands sink into your lap.',
  ),
  'arms-up-arms-down': words(
    'Arms up, arms down',
    [
      'Breathe in and let the arms float up beside you.',
      'A short hold at the top, then let them sink on a long out-breath.',
    ],
    'Arms float up on the in-breath, sink on the out-breath.',
    ['Shoulders away from the ears.', 'Only a short hold.', 'Let the hands lead.'],
    'Let the arms hang and feel them tingle.',
    {
      easier: [
        'Without the hold.',
        'Let the arms float up and sink again with the breath, without a stop at the top.',
        'Arms up and down with the breath, no hold.',
      ],
    },
  ),
  'closing-word': words(
    'Closing word',
    [
      'Lay the hands together or in your lap.',
      'We close with our word, together on one out-breath.',
    ],
    'Hands together, our word on the out-breath.',
    ['Let the voice be easy.', 'Feel the sound in the chest.', 'Let it fade by itself.'],
    'Thank you. Open your eyes when you are ready.',
  ),
};
