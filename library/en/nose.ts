import { type AreaWords, words } from '../shape';

export const nose: AreaWords = {
  'nostril-flares': words(
    'Nostril flares',
    [
      'Rest the index fingers beside the nostrils, barely touching.',
      'Widen the nostrils on the in-breath and let them narrow on the out-breath.',
    ],
    'Nostrils wide, then narrow.',
    ['Upper lip stays quiet.', 'No frown.', 'Small is enough.'],
    'Let go and stroke down beside the nose.',
  ),
  'nose-side-strokes': words(
    'Strokes beside the nose',
    [
      'Middle fingers on both sides of the bridge of the nose.',
      'Stroke down to the nostrils a little firmer, and back up as light as air.',
    ],
    'Down beside the nose, and lightly up again.',
    [
      'Firm down, light up.',
      'Let the breath run freely.',
      'Stay clear of the corners of the eyes.',
    ],
    'Sweep out under the cheekbones.',
  ),
  'nose-corner-pull-lean': words(
    'Nose corner pull with a lean',
    [
      'One finger beside the lower corner of the nose, drawing it gently out and down.',
      'Let the head lean to the other side and breathe.',
    ],
    'Draw the nose corner out, lean away, breathe.',
    ['A light pull.', 'Shoulder low.', 'Mouth soft.'],
    'Let go and come back to the middle.',
    {
      easier: [
        'Without the lean.',
        'Head level. Draw the corner of the nose gently out and down, and breathe.',
        'Draw the nose corner out, head level.',
      ],
    },
  ),
};
