import type { AreaWords } from '../shape';

export const body: AreaWords = {
  'slow-belly-breaths': {
    name: 'Slow belly breaths',
    setup: [
      'Sit tall, feet on the floor, and let the shoulders drop.',
      'Lay one hand on the belly. Breathe in through the nose and feel the belly rise.',
    ],
    short: 'One hand on the belly, slow breaths through the nose.',
    form: [
      'Let the shoulders stay low.',
      'The out-breath is longer than the in-breath.',
      'Let the jaw hang a little.',
    ],
    letGo: 'Let the breath go its own way.',
  },
  'warm-palms-over-eyes': {
    name: 'Warm palms over the eyes',
    setup: [
      'Rub your palms together until they are warm.',
      'Cup them over your closed eyes, so that nothing touches the lids, and rest.',
    ],
    short: 'Warm the palms and cup them over the eyes.',
    form: [
      'Let the eyes rest in the dark.',
      'Soften the space between the brows.',
      'Let the elbows hang.',
    ],
    letGo: 'Lower the hands slowly and open your eyes.',
  },
  'shoulder-rolls-both-ways': {
    name: 'Shoulder rolls',
    setup: [
      'Arms hang. Draw the shoulders up toward the ears, then back and down, in one slow circle.',
    ],
    short: 'Slow, full circles with the shoulders.',
    form: [
      'Keep the neck long.',
      'Breathe in on the way up, out on the way down.',
      'Let the arms hang heavy.',
    ],
    letGo: 'Let the shoulders drop.',
  },
  'chin-over-shoulder': {
    name: 'Chin over the shoulder',
    setup: [
      'Sit tall and turn the head slowly to look over the left shoulder.',
      'Stay there for five breaths, only as far as it is easy.',
    ],
    short: 'Turn the head and breathe there.',
    form: [
      'Both shoulders stay low.',
      'Keep the chin level.',
      'A little further only if the neck offers it.',
    ],
    letGo: 'Come back to the middle.',
  },
  'side-lean-with-hand': {
    name: 'Side lean with the hand',
    setup: [
      'Let the head lean over to the left and lay the left hand on it, without pulling.',
      'The right shoulder grows heavy. Five breaths here.',
    ],
    short: 'Lean to the side; the hand only rests there.',
    form: [
      'The hand is a weight, it does not pull.',
      'Let the far shoulder sink.',
      'Keep the face soft.',
    ],
    letGo: 'Lift the head back to the middle.',
  },
  'collarbone-to-crown-tapping': {
    name: 'Collarbone to crown tapping',
    setup: [
      'With soft fingertips, tap along the collarbone and up the sides of the neck.',
      'Go on over jaw, mouth and cheeks, feather-light under the eyes, to the temples, forehead and crown.',
      'Then down the back of the neck to the shoulders and round to the start.',
    ],
    short: 'Tap from the collarbone up to the crown and back round.',
    form: [
      'Light as rain, from loose wrists.',
      'Under the eyes only on the bone.',
      'Keep breathing.',
    ],
    letGo: 'Rest the hands and feel the skin wake up.',
  },
  'hair-root-circles': {
    name: 'Hair root circles',
    setup: [
      'Spread your fingers and set them firmly on the scalp, above the ears.',
      'Move the skin over the bone in small circles, then walk up toward the crown.',
    ],
    short: 'Fingers spread on the scalp; move the skin, not the hair.',
    form: [
      'The fingers stay put; the scalp moves.',
      'Let the jaw hang loose.',
      'Slow circles, a little higher each time.',
    ],
    letGo: 'Let go and shake out the hands.',
  },
};
