import type { AreaWords } from '../shape';

export const neck: AreaWords = {
  'anchored-jaw-forward': {
    name: 'Anchored neck, jaw forward',
    setup: [
      'Lay both hands flat below the collarbones and hold the skin down gently.',
      'Lift the chin toward the ceiling as far as the neck likes, then slide the lower jaw forward.',
      'Feel the front of the neck lengthen. Chin level is just as good.',
    ],
    short: 'Hands hold below the collarbones, chin up, jaw slides forward.',
    form: ['The back of the neck stays long.', 'Teeth apart, lips soft.', 'Breathe low and slow.'],
    letGo: 'Lower the chin and stroke the neck lightly downward.',
  },
  'tongue-taps-to-palate': {
    name: 'Tongue taps to the palate',
    setup: [
      'Turn the head to the left and lift the chin a little.',
      'Tap the tip of the tongue against the roof of the mouth, one tap a second.',
      'You should feel the work under the chin.',
    ],
    short: 'Head turned, tongue tip taps the palate once a second.',
    form: ['Lips stay closed and soft.', 'Only the tongue works.', 'Shoulders low.'],
    letGo: 'Back to the middle and swallow once.',
  },
  'tongue-palate-press': {
    name: 'Whole tongue press',
    setup: [
      'Close the lips, teeth a little apart.',
      'Press the whole tongue flat against the roof of the mouth, as if it were a stamp.',
      'A fingertip under the chin feels the floor of the mouth grow firm.',
    ],
    short: 'The whole tongue presses up against the palate.',
    form: [
      'The back of the tongue presses too.',
      'Breathe through the nose.',
      'Keep the jaw loose.',
    ],
    letGo: 'Let the tongue sink and tap under the chin.',
  },
  'neck-sweep-to-collarbone': {
    name: 'Neck sweep to the collarbone',
    setup: [
      'With the flat of the right hand, stroke from below the left ear down the side of the neck.',
      'Slow and light, and out along the collarbone.',
    ],
    short: 'Light strokes from the ear down to the collarbone.',
    form: [
      'As light as stroking a cat.',
      'Always downward, to the collarbone.',
      'Only one side at a time.',
    ],
    letGo: 'Rest the hand on the collarbone.',
  },
};
