import { type AreaTracks, shows } from './shape';

export const bodyTracks: AreaTracks = {
  'slow-belly-breaths': shows(['43:.3', '43:.3 chest'], 'palm rest breastbone right'),
  'nose-in-mouth-out': shows(['25:.35 22:.4', '38:.5 chest'], '', {
    easier: { keys: ['', '38:.4 chest'] },
  }),
  'warm-palms-over-eyes': shows(['43', '43 chest:.8'], 'cup rest underEye', {
    easier: { hands: '' },
  }),
  'travelling-palms': shows(
    ['43', '43 chest:.8'],
    'cup stroke underEye>midForehead>midCheek>jawMid>collarbone',
    { easier: { hands: 'palm rest collarbone' } },
  ),
  'arms-up-arms-down': shows(['', 'chest shoulderUp:.2'], 'up lift shoulder'),
  'closing-word': shows('43:.5 25:.3 22:.4'),
  'shoulder-rolls-both-ways': shows(
    [
      '',
      'shoulderUp:.6',
      'shoulderUp',
      'shoulderUp:.5 shoulderBack',
      'shoulderBack:.6 shoulderDown:.5',
    ],
    '',
    {
      easier: {
        keys: [
          '',
          'shoulderUpL:.5',
          'shoulderUpL:.3 shoulderBackL:.6',
          '',
          'shoulderUpR:.5',
          'shoulderUpR:.3 shoulderBackR:.6',
        ],
      },
    },
  ),
  'chest-circles': shows(
    ['breastbone', 'chestSideR shoulderBack:.3', 'shoulderBack:.5', 'chestSideL shoulderBack:.3'],
    '',
    {
      easier: {
        keys: [
          'breastbone:.3',
          'chestSideR:.3 shoulderBack:.1',
          'shoulderBack:.15',
          'chestSideL:.3 shoulderBack:.1',
        ],
      },
    },
  ),
  'elbow-circles-with-breath': shows(
    ['shoulderBack:.7', 'chest shoulderUp:.7'],
    'shoulder circle shoulder',
    { easier: { hands: '', keys: ['shoulderBack:.5', 'chest:.7 shoulderUp:.5'] } },
  ),
  'neck-nods-with-breath': shows(['54:.7', '53:.35 chest'], '', {
    easier: { keys: ['54:.7', 'chest'] },
  }),
  'chin-over-shoulder': shows(['51L', '51L chest:.7'], '', {
    easier: { keys: ['51L:.5 61L:.8', '51L:.5 61L:.8 chest:.7'] },
  }),
  'side-lean-with-hand': shows(
    ['55L:.8 43:.4', '55L:.75 43:.4 chest:.7'],
    'palm rest earTop left',
    { easier: { hands: '' }, harder: { keys: ['55L 43:.4', '55L:.7 43:.4 chest:.7'] } },
  ),
  'side-lean-tapping': shows(
    ['55R:.8 shoulderDown:.5', '55R:.75 shoulderDown:.5 chest:.7'],
    'tips tap belowEar>sideNeck>neckBase left',
    {
      easier: {
        keys: ['shoulderDown:.5', 'shoulderDown:.5 chest:.7'],
        hands: 'tips tap belowEar>sideNeck>neckBase cross',
      },
    },
  ),
  'head-half-circles': shows(['54:.8', '54:.5 51L:.6 55L:.5'], '', {
    easier: { keys: ['', '54:.7'] },
  }),
  'elbows-wide-elbows-in': shows(
    ['breastbone:.6 shoulderBack:.4', '54:.7'],
    'behind lift skullBase',
    {
      easier: { keys: ['breastbone:.6 shoulderBack:.4', ''] },
    },
  ),
  'collarbone-to-crown-tapping': shows(
    '43:.2',
    'tips tap breastbone>collarbone>sideNeck>jawAngle>chin>midCheek>cheekbone>temple>midForehead>crown>neckBase',
    { easier: { hands: 'tips tap collarbone>sideNeck>jawAngle>midCheek>temple>crown' } },
  ),
  'whole-face-light-tapping': shows(
    '43:.3',
    'tips tap chin>jawMid>midCheek>cheekbone>temple>midForehead',
    {
      easier: { hands: 'tips tap chin>midCheek>midForehead' },
    },
  ),
  'spread-finger-drumming': shows('', 'tips tap hairlineSide>crown>earTop'),
  'hair-root-lifts': shows(['', '1:.2 2:.2'], 'fist lift hairlineSide>crown', {
    easier: { keys: '' },
  }),
  'hair-root-circles': shows('26:.2', 'tips circle hairlineSide', {
    easier: { hands: 'tips circle earTop' },
  }),
  'fingers-together-on-the-scalp': shows(['', '1:.2'], 'tips press earTop'),
  'shampoo-kneading': shows('43:.4', 'tips circle hairlineSide'),
  'crown-circles': shows('43:.4', 'palm circle crown right'),
  'back-of-crown-circles': shows('43', 'tips circle backOfCrown', {
    easier: { hands: 'palm circle backOfCrown right' },
  }),
};
