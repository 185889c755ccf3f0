import { type AreaTracks, shows } from './shape';

const LONG_O = '25 26 27:.2 22:.9 28:.45';
const VOWELS = [
  '25 27:.7',
  '25 26:.8 20:.4',
  '25:.6 20 12:.3 14:.2',
  '25 26:.7 22:.8',
  '25:.5 18:.7 22:.6',
];
const SMALL_VOWELS = [
  '25:.7 26:.3',
  '25:.6 26:.2 20:.2',
  '25:.4 20:.5',
  '25:.6 26:.2 22:.6',
  '25:.4 18:.5 22:.5',
];

export const mouthTracks: AreaTracks = {
  'tall-o-cheek-lift': shows(`${LONG_O} 6 12:.3`, 'tip rest cheekbone', {
    easier: { hands: '', keys: '25:.8 26:.3 22:.4 28:.5 6:.9 12:.2' },
    harder: { hands: '', keys: `${LONG_O} 6 12:.4` },
  }),
  'smiling-o-lip-pulses': shows(['25 22:.8 13:.6', '25:.6 22 13:.6'], '', {
    easier: { keys: '25 22:.8 13:.6' },
  }),
  'o-to-smile': shows(['25:.8 22', '12 6:.5'], '', {
    easier: { keys: ['25:.5 22:.6', '12:.5 6:.2'] },
  }),
  'finger-resisted-chin-scoop': shows(
    ['25 26:.7 28:.3', '31:.4 17:.7 13:.4 28:.3'],
    'tip press chin',
    {
      easier: { hands: '', keys: ['25 26:.6 28:.3', '17:.5 31:.2'] },
    },
  ),
  'folded-lip-press': shows('28 20:.4 23:.6', '', {
    easier: { keys: '28' },
    harder: { keys: '53:.6 28 23:.6' },
  }),
  'pucker-hold': shows('18', '', { easier: { keys: '18:.5' } }),
  'corner-pull-against-fingers': shows(
    ['20:.5', '18:.4 14 23:.3'],
    'tip lift mouthCorner>midCheek',
    {
      easier: { hands: '', keys: ['', '18:.5 14'] },
    },
  ),
  'corner-squeeze-against-fingers': shows(['', '14 13:.3 23:.3'], 'tip rest mouthCorner', {
    easier: { hands: '' },
  }),
  'thumbs-level-corners': shows(
    ['15:.2', '13:.8 12:.3 chest:.7'],
    'tip lift mouthCorner>midCheek',
    {
      easier: { hands: '', keys: ['15:.1', '13:.7 12:.2 chest:.7'] },
    },
  ),
  'level-smile-tongue-corners': shows('12:.7 36L 23:.2', '', { easier: { keys: '36L:.6 23:.1' } }),
  'pen-under-nose': shows('10:.5 18:.8 17:.2 pen', '', { easier: { keys: '10:.4 18:.7' } }),
  'slow-wide-vowels': shows(VOWELS, '', { easier: { keys: SMALL_VOWELS } }),
  'lip-flutter': shows('25:.3 22:.5 33:.2 18:.3', '', { easier: { keys: '25:.3 22:.4' } }),
  'quick-lip-pinches': shows('18:.2 26:.2', 'pinch pinch upperLip>mouthCorner>lowerLip', {
    easier: { hands: 'tip tap upperLip>mouthCorner>lowerLip right' },
  }),
  'kiss-press': shows(['18:.3', '18'], 'tips press lowerLip right', {
    easier: { hands: '', keys: ['18:.2', '18:.7'] },
  }),
  'closed-mouth-tongue-circles': shows(
    ['airAbove:.6 palate:.2', '36R:.7 palate:.1', 'airBelow:.6', '36L:.7 palate:.1'],
    '',
    {
      easier: {
        keys: ['airAbove:.4 palate:.2', '36R:.2 airAbove:.2', 'palate:.1', '36L:.2 airAbove:.2'],
      },
    },
  ),
};
