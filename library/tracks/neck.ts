import { type AreaTracks, shows } from './shape';

const ANCHOR = 'palm press collarbone';
const CRADLE = 'cradle rest jawMid';

export const neckTracks: AreaTracks = {
  'anchored-jaw-forward': shows('53:.8 29 21:.5', ANCHOR, { easier: { keys: '29 21:.5' } }),
  'anchored-jaw-three-ways': shows(
    ['53:.8 29 21:.4', '53:.7 29 21:.4 51L:.4', '53:.7 29 21:.4 51R:.4'],
    ANCHOR,
    { easier: { keys: ['29 21:.4', '29 21:.4 51L:.25', '29 21:.4 51R:.25'] } },
  ),
  'anchored-tongue-curl': shows('53:.8 palate 21:.4', ANCHOR, { easier: { keys: 'palate 21:.3' } }),
  'anchored-lip-corners-back': shows('53:.7 28:.4 20:.9 21:.8', ANCHOR, {
    easier: { keys: '28:.4 20:.9 21:.7' },
  }),
  'jaw-open-close-looking-up': shows(['53:.8 63:.6', '53:.8 63:.6 25 26 21:.3'], '', {
    easier: { keys: ['', '25 26:.4 21:.2'] },
  }),
  'wrist-cradle-chin-press': shows(['', 'palate:.6 31:.3 54:.06'], CRADLE, {
    easier: { keys: ['', 'palate:.3'] },
  }),
  'chin-press-with-held-breath': shows(['', 'chest palate:.6 31:.2'], CRADLE, {
    easier: { keys: ['', 'chest:.8 palate:.2'] },
  }),
  'neck-pump-with-breath': shows(['15:.8 20:.4 21', 'chest:.8'], 'palm rest breastbone right', {
    easier: { keys: ['15:.35 21:.4', 'chest:.8'] },
  }),
  'front-neck-pulses': shows(['', '15:.9 20:.3 21'], 'tips rest frontNeck right', {
    easier: { keys: ['', '15:.4 21:.4'] },
  }),
  'chin-glide-against-fingers': shows(['', '29 21:.4'], 'tip press chin right'),
  'tongue-palate-press': shows('palate 26:.2', '', { easier: { keys: 'palate:.5' } }),
  'tongue-taps-to-palate': shows(['51L:.6 53:.5', '51L:.6 53:.5 palate'], '', {
    easier: { keys: ['51L:.5', '51L:.5 palate'] },
  }),
  'tongue-toward-nose': shows('19 tongueUp 25 26:.3', '', {
    easier: { keys: '19:.5 tongueUp 25:.8 26:.2' },
  }),
  'tongue-corner-to-corner': shows(['19:.5 25:.6 26:.2', '19:.8 tongueSideL 25:.6 26:.2'], '', {
    easier: { keys: ['', '36L:.8'] },
  }),
  'tongue-to-ceiling': shows(
    [
      '53:.8 19 tongueUp 25 26:.4',
      '53:.8 19 tongueUp tongueSideL:.6 25 26:.4',
      '53:.8 19 tongueUp 25 26:.4',
      '53:.8 19 tongueUp tongueSideR:.6 25 26:.4',
    ],
    '',
    {
      easier: {
        keys: [
          '19 tongueUp 25 26:.4',
          '19 tongueUp tongueSideL:.6 25 26:.4',
          '19 tongueUp 25 26:.4',
          '19 tongueUp tongueSideR:.6 25 26:.4',
        ],
      },
    },
  ),
  'swallow-looking-up': shows(['51L:.3 53:.6', '51L:.3 53:.6 palate 23:.4 21:.4'], '', {
    easier: { keys: ['51L:.25', '51L:.25 palate 23:.4 21:.3'] },
  }),
  'side-neck-lift': shows('51L:.8 53:.5 15:.8 21', '', { easier: { keys: '51L:.4 15:.4 21:.5' } }),
};
