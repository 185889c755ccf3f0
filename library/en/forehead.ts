import { type AreaWords, words } from '../shape';

export const forehead: AreaWords = {
  'hairline-press-look-down': words(
    'Hairline press, look down',
    [
      'Lay the edge of both hands along the hairline, and press it gently back and up.',
      'Keep the head still and look down with the eyes only.',
    ],
    'Hands press the hairline, eyes look down.',
    ['The head stays level.', 'Soften the jaw.', 'Press without sliding.'],
    'Let go and stroke the forehead out to the temples.',
  ),
  'palm-heel-brow-lift': words(
    'Brow lift with the palm heels',
    [
      'Set the heels of the hands on the brows and lift them gently.',
      'Look down with the eyes only, hold, then slide the hands up to the hairline.',
    ],
    'Palm heels lift the brows, eyes look down.',
    ['Lift, do not press in.', 'Eyes only.', 'Slide slowly at the end.'],
    'Let go and smooth the forehead.',
  ),
  'staged-brow-hold': words(
    'Staged brow hold',
    [
      'Fingertips on the brows. With each out-breath one stage: settle, press in gently, lift, draw apart.',
      'Last, try to frown against the fingers. They do not let you.',
    ],
    'Settle, press, lift, draw apart, then try to frown.',
    ['A new stage with each out-breath.', 'Elbows low.', 'Jaw loose.'],
    'Let go and sweep outward over the brows.',
  ),
  'braced-brow-slow-blink': words(
    'Braced brow, slow blink',
    [
      'Lay the palms flat along the hairline and hold the forehead still.',
      'Open the eyes wide without lifting the brows, then close them slowly, and open again.',
      'Only the lids move. The hands make sure of it.',
    ],
    'Palms hold the forehead; only the lids move.',
    [
      'Forehead stays smooth.',
      'Keep breathing, shoulders down.',
      'Slowly, as if the lids were heavy.',
    ],
    'Let go, and tap round the eyes on the bone.',
    {
      harder: [
        'Half closed, and held.',
        'Palms hold the forehead. Close the lids halfway and keep them there without a tremble.',
        'Lids half closed, and still.',
      ],
    },
  ),
  'braced-brow-open-and-shut': words(
    'Braced brow, open and shut',
    [
      'Palms flat on the forehead, holding it still.',
      'Open the eyes wide and shut them softly, in a steady rhythm.',
    ],
    'Forehead held, eyes open and shut.',
    ['Shut softly.', 'The hands feel for any frown.', 'Even rhythm.'],
    'Close the eyes and let the hands sink.',
  ),
};
