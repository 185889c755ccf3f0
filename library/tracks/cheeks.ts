import { type AreaTracks, shows } from './shape';

export const cheekTracks: AreaTracks = {
  'full-cheeks-hold': shows('33 23:.3', '', {
    easier: { keys: '33:.5 23:.2' },
    harder: { keys: '33 23:.4', hands: 'palm press jawAngle' },
  }),
  'full-cheeks-with-taps': shows('33 23:.3', 'tips tap midCheek>underCheekbone left', {
    easier: { keys: '33:.5', hands: 'tip tap midCheek left' },
  }),
  'air-side-to-side': shows(['33:.5 23:.3', '33L 23:.3'], '', {
    easier: { keys: ['33:.2', '33L:.5'] },
  }),
  'air-up-and-down': shows(['airAbove 23:.2 33:.2', 'airBelow 23:.2 33:.2'], '', {
    easier: { keys: ['', 'airAbove:.6 33:.1'] },
  }),
  'smile-pulses': shows(['12:.5 6:.2', '12:.95 6:.6'], '', { easier: { keys: '12:.5 6:.2' } }),
  'tucked-lip-smile-pulses': shows(['28 12:.4 6:.3', '28 12:.9 6:.8'], '', {
    easier: { keys: '28 12:.4 6:.3' },
    harder: { keys: ['28 12:.5 6:.4', '28 12 6'], hands: 'tips rest cheekbone' },
  }),
  'light-purse-cheek-smile': shows('18:.4 6 10:.2 12:.2', '', {
    easier: { keys: '6:.9 12:.5 10:.1' },
  }),
  'fish-lips-smile': shows('35 18:.7 12:.35', '', { easier: { keys: '35:.6 18:.5' } }),
  'tucked-o-palm-press': shows('25:.9 26:.4 22:.7 28:.4 6:.8 12:.3 14:.2', 'palm press jawAngle'),
  'thumb-inside-cheek-resist': shows(
    ['', '20L:.5 33L:.4'],
    'thumb lift mouthCorner>midCheek left',
    {
      easier: { keys: ['33L:.3', '33L:.8'], hands: 'tips press midCheek left' },
    },
  ),
  'o-breathing': shows(['25:.5 22:.8 33:.7', '25:.6 22 35:.8 chest'], '', {
    easier: { keys: ['25:.5 22:.8', '25:.5 22:.8 chest'] },
  }),
  'nostril-flares': shows(['39', '38 chest'], 'tip rest nostril', {
    easier: { keys: ['39:.2', '38:.3 chest:.7'] },
  }),
  'nose-side-strokes': shows('43:.2 9:.1', 'tip stroke noseBridge>noseSide>nostril'),
  'nose-corner-pull-lean': shows(
    ['55R:.6 38L:.6 10L:.2', '55R:.55 38L:.6 10L:.2 chest:.7'],
    'tip lift nostril>underCheekbone left',
    {
      easier: { keys: ['38L:.6 10L:.2', '38L:.6 10L:.2 chest:.7'] },
    },
  ),
};
