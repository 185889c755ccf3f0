import { type AreaTracks, shows } from './shape';

const REST = '43:.6';
const FACE = 'midForehead>temple>frontOfEar';

export const massageTracks: AreaTracks = {
  'forehead-finger-sweeps': shows('43', 'tips stroke midForehead>temple', {
    easier: { hands: 'palm stroke midForehead>temple' },
  }),
  'forehead-knuckle-fans': shows(REST, 'knuckles stroke midForehead>hairlineSide', {
    easier: { hands: 'tips stroke midForehead>hairlineSide' },
  }),
  'forehead-fist-slides': shows(REST, 'fist stroke innerBrow>hairline', {
    easier: { hands: 'tips stroke innerBrow>hairline' },
  }),
  'forehead-opposing-hands': shows('43', 'palm stroke innerBrow>hairlineSide', {
    easier: { hands: 'palm stroke innerBrow>hairlineSide left' },
  }),
  'brow-pinches': shows(REST, 'pinch pinch innerBrow>midBrow>outerBrow', {
    easier: { hands: 'tip stroke innerBrow>midBrow>outerBrow' },
  }),
  'brow-presses': shows('43', 'tip press innerBrow>midBrow>outerBrow', {
    easier: { hands: 'tip rest midBrow' },
  }),
  'thumbs-lift-under-brow': shows('43', 'thumb stroke innerBrow>outerBrow', {
    easier: { hands: 'thumb rest midBrow' },
  }),
  'hook-strokes-between-brows': shows('43', 'tip stroke noseBridge>innerBrow>midBrow left'),
  'under-eye-circles': shows('43', 'ring stroke innerEye>underEye>outerEye', {
    easier: { hands: 'ring stroke nostril>cheekbone>temple' },
  }),
  'under-eye-ring-finger-sweep': shows('43', 'ring stroke innerEye>underEye>temple', {
    easier: { hands: 'ring stroke nostril>cheekbone>temple' },
  }),
  'cheek-pinches': shows('12:.2', 'pinch pinch nostril>midCheek>frontOfEar', {
    easier: { hands: 'tips tap nostril>midCheek>frontOfEar' },
  }),
  'cheekbone-clamp-sweeps': shows(REST, 'tips stroke nostril>cheekbone>frontOfEar'),
  'under-cheekbone-points': shows('26:.2', 'tips circle underCheekbone'),
  'alternate-cheek-lifts': shows(
    '26:.2',
    'palm stroke jawMid>midCheek>cheekbone left, palm stroke midCheek>cheekbone cross',
    {
      easier: { hands: 'palm stroke jawMid>midCheek>cheekbone left' },
    },
  ),
  'corner-to-ear-pulls': shows('12:.2', 'tips stroke mouthCorner>midCheek>frontOfEar'),
  'chin-to-ear-hooks': shows('26:.2', 'pinch stroke chin>jawMid>jawAngle>earLobe', {
    easier: { hands: 'palm stroke chin>jawMid>jawAngle>earLobe' },
  }),
  'jawline-pinches': shows('26:.2', 'pinch pinch chin>jawMid>jawAngle>belowEar', {
    easier: { hands: 'tips stroke chin>jawMid>jawAngle>belowEar' },
  }),
  'lip-line-pinches': shows('26:.2', 'pinch pinch upperLip>mouthCorner>lowerLip', {
    easier: { hands: 'tip tap upperLip>mouthCorner>lowerLip' },
  }),
  'ear-squeeze-and-circles': shows('43:.4 26:.2', 'pinch circle earTop', {
    easier: { hands: 'palm rest frontOfEar' },
  }),
  'neck-sweep-to-collarbone': shows(
    '43:.4',
    'palm stroke belowEar>sideNeck>neckBase>collarbone cross',
    {
      easier: { hands: 'palm stroke breastbone>collarbone cross' },
    },
  ),
  'side-knuckle-rolls': shows(
    '26:.3',
    'knuckles stroke jawMid>midCheek>cheekbone left, knuckles stroke midCheek>cheekbone cross',
    {
      easier: { hands: 'tips stroke jawMid>midCheek>cheekbone left' },
    },
  ),
  'upward-slides': shows(REST, 'palm stroke collarbone>sideNeck>jawMid>cheekbone>temple', {
    easier: { hands: 'palm stroke midCheek>cheekbone>temple' },
  }),
  'downward-drain-slides': shows(REST, 'palm stroke temple>frontOfEar>sideNeck>collarbone', {
    easier: { hands: 'palm stroke temple>frontOfEar>jawAngle' },
  }),
  'closing-face-drain': shows('43', `palm stroke ${FACE}>sideNeck>collarbone`, {
    easier: { hands: `palm stroke ${FACE}` },
  }),
  'palm-by-palm-drain': shows('43', `palm tap ${FACE}>sideNeck>collarbone`, {
    easier: { hands: `palm tap ${FACE}` },
  }),
  'one-hand-feather-drain': shows(
    '43:.5',
    'tips stroke temple>frontOfEar>sideNeck>collarbone cross',
    {
      easier: { hands: 'tips stroke temple>frontOfEar>jawAngle cross' },
    },
  ),
  'closing-free-massage': shows('43', 'tips stroke midForehead>temple>midCheek>chin', {
    easier: { hands: 'palm rest midCheek' },
  }),
  'between-brows-point': shows(REST, 'tip circle innerBrow right'),
  'above-brow-points': shows(REST, 'tip circle midBrow'),
  'front-of-ear-point': shows('26:.3', 'tip circle frontOfEar'),
  'temple-points': shows('43', 'tips circle temple'),
  'skull-base-points': shows('43:.5', 'behind circle skullBase'),
  'below-ear-point': shows(REST, 'tip circle belowEar'),
  'crown-point': shows('43', 'tip circle crown'),
};
