import { type AreaTracks, shows } from './shape';

export const jawTracks: AreaTracks = {
  'yawn-wide-opening': shows(['', '25 27:.9 26:.3 43:.7'], '', {
    easier: { keys: ['', '26:.3 43:.5'] },
  }),
  'soft-jaw-drop': shows(['', '25:.8 26:.9'], 'palm rest jawAngle', {
    easier: { keys: ['', '26:.5'] },
  }),
  'jaw-drop-under-temple-palms': shows(['', '25:.7 26:.7'], 'palm rest temple', {
    easier: { keys: ['', '26:.5'] },
  }),
  'jaw-muscle-circles': shows('26:.4 43:.3', 'tips circle jawAngle'),
  'jaw-knuckle-circles': shows('26:.4', 'knuckles circle jawAngle', {
    easier: { hands: 'tips circle jawAngle' },
  }),
  'knuckle-slide-mouth-opening': shows(
    ['26:.1', '25 26 27:.4'],
    'knuckles stroke frontOfEar>jawAngle>jawMid',
    {
      easier: { keys: '26:.2', hands: 'tips stroke frontOfEar>jawAngle>jawMid' },
    },
  ),
  'fist-slide-to-cheekbone': shows('26:.3', 'fist stroke jawAngle>midCheek>cheekbone', {
    easier: { hands: 'palm stroke jawAngle>midCheek>cheekbone' },
  }),
  'open-o-head-tilted': shows('51L:.4 53:.7 25 26 22:.7 21:.5', '', {
    easier: { keys: '51L:.25 25:.8 26:.3 22:.7 21:.2' },
  }),
  'below-ear-press': shows(['26:.3', '26:.3 chest:.7'], 'tip press belowEar', {
    easier: { hands: 'tips rest belowEar' },
  }),
};
