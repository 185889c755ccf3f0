import type { AreaWords } from '../shape';

export const cheeksAndNose: AreaWords = {
  'tall-o-cheek-lift': {
    name: 'Tall O cheek lift',
    setup: [
      'Fold both lips over the teeth and open the mouth into a long, narrow O.',
      'Now smile with the upper cheeks only, as if lifting them under the eyes.',
      'Lay a fingertip on each cheekbone and feel the muscle rise. The forehead stays quiet.',
    ],
    short: 'Lips over the teeth, long O, and the cheeks lift.',
    form: [
      'Forehead smooth.',
      'Let the shoulders sink.',
      'Eyes open and easy, no squinting.',
      'Lift a little more on the out-breath.',
    ],
    letGo: 'Let go, and tap the cheeks lightly.',
  },
  'full-cheeks-hold': {
    name: 'Full cheeks hold',
    setup: [
      'Close the lips and fill both cheeks with air, evenly, like two small balloons.',
      'Keep the lips sealed and breathe calmly through the nose.',
      'Lips stay smooth, without a crease above them.',
    ],
    short: 'Both cheeks full of air, lips sealed, nose breathes.',
    form: ['Breathe through the nose.', 'Both sides equally full.', 'Chin soft, shoulders low.'],
    letGo: 'Let the air out and tap the cheeks.',
  },
  'smile-pulses': {
    name: 'Smile pulses',
    setup: [
      'Lips closed, smile halfway, with both corners at one height.',
      'Now draw the smile a little higher and ease it back, once a second.',
      'The eyes do not join in.',
    ],
    short: 'Half a smile, small pulses upward.',
    form: ['Corners stay level.', 'Eyes stay open and calm.', 'Small and steady.'],
    letGo: 'Let the smile fade and tap the cheeks.',
  },
  'under-cheekbone-points': {
    name: 'Points under the cheekbone',
    setup: [
      'Set two fingertips beside the nostrils, in the hollow under the cheekbone.',
      'Eight small circles, then move a finger width outward, three places in all.',
    ],
    short: 'Small circles in the hollow under the cheekbone.',
    form: [
      'Press up against the bone, not into the teeth.',
      'Breathe out while you press.',
      'Pleasant, never sore.',
    ],
    letGo: 'Let go and sweep out to the ears.',
  },
  'nostril-flares': {
    name: 'Nostril flares',
    setup: [
      'Rest the index fingers beside the nostrils, barely touching.',
      'Widen the nostrils on the in-breath and let them narrow on the out-breath.',
    ],
    short: 'Nostrils wide, then narrow.',
    form: ['Upper lip stays quiet.', 'No frown.', 'Small is enough.'],
    letGo: 'Let go and stroke down beside the nose.',
  },
  'nose-side-strokes': {
    name: 'Strokes beside the nose',
    setup: [
      'Middle fingers on both sides of the bridge of the nose.',
      'Stroke down to the nostrils a little firmer, and back up as light as air.',
    ],
    short: 'Down beside the nose, and lightly up again.',
    form: [
      'Firm down, light up.',
      'Let the breath run freely.',
      'Stay clear of the corners of the eyes.',
    ],
    letGo: 'Sweep out under the cheekbones.',
  },
};
