import { type AreaTracks, shows } from './shape';

const BRACE = 'palm press hairlineSide';

export const eyeTracks: AreaTracks = {
  'temple-palms-squeeze': shows('43 6:.5 7 2:.2', 'palm lift temple>hairlineSide', {
    easier: { keys: '43', hands: 'palm rest temple' },
  }),
  'temple-palms-pulse': shows(
    ['43:.8 7:.2 2:.2', '43 6:.4 7 2:.2'],
    'palm lift temple>hairlineSide',
    {
      easier: { keys: ['', '43'], hands: 'palm rest temple' },
    },
  ),
  'lower-lid-lifts': shows(['', '7:.9 6:.2'], 'tip rest outerEye', { easier: { hands: '' } }),
  'finger-rings-squint': shows(['', '7 6:.4'], 'rings rest underEye', {
    easier: { hands: '', keys: ['', '7:.7'] },
  }),
  'outer-corner-lift': shows(['7:.8', '5 chest:.8'], 'ring lift outerEye>temple', {
    easier: { hands: '' },
  }),
  'forehead-palms-eyes-wide': shows('5 brace', BRACE, { easier: { keys: '5:.3 brace' } }),
  'gaze-side-to-side': shows(['', '61L'], '', { easier: { keys: ['43', '43 61L'] } }),
  'gaze-far-holds': shows('61L', '', { easier: { keys: '61L:.5' } }),
  'gaze-up-and-down': shows(['63', '64'], '', { easier: { keys: ['43 63', '43 64'] } }),
  'gaze-up-hold': shows('63', '', { easier: { keys: '63:.4' } }),
  'gaze-down-hold': shows('64', '', { easier: { keys: '64:.4' } }),
  'gaze-circles': shows(['63', '61R', '64', '61L'], '', {
    easier: { keys: ['43 63:.5', '43 61R:.5', '43 64:.5', '43 61L:.5'] },
  }),
  'gaze-at-brow-centre': shows('63:.7 66:.8', '', { easier: { keys: '43 66:.1' } }),
  'slow-gaze-arcs': shows(['61R:.9', '63', '61L:.9', '63'], '', {
    easier: { keys: ['61R:.4', '63:.4', '61L:.4', '63:.4'] },
  }),
  'look-up-lift-lower-lids': shows(['63', '63 7:.8'], '', {
    easier: { keys: ['63:.4', '63:.4 7:.4'] },
  }),
  'hairline-press-look-down': shows('64 1:.15 2:.15', 'edge lift hairlineSide>hairline', {
    easier: { keys: '64', hands: 'edge rest hairlineSide' },
  }),
  'palm-heel-brow-lift': shows('64 1:.5 2:.5 brace', 'heel lift midBrow>midForehead', {
    easier: { keys: '64', hands: 'heel rest midBrow' },
  }),
  'staged-brow-hold': shows(['4:.5 brace', 'brace chest:.7'], 'tips lift innerBrow>outerBrow', {
    easier: { keys: ['brace', 'brace chest:.7'], hands: 'tips press innerBrow' },
  }),
  'braced-brow-slow-blink': shows(['5:.8 brace', '43 brace'], BRACE, {
    easier: { hands: '', keys: ['', '43'] },
    harder: { keys: '43:.5 7:.2 brace' },
  }),
  'braced-brow-open-and-shut': shows(['43 brace', '5 brace'], BRACE, {
    easier: { hands: '', keys: ['43', '5:.7'] },
  }),
};
