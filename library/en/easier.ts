import type { EasierWords } from '../shape';

/** Easier versions of moves whose shape stays the same: what changes, the set-up, the short reminder. */
export const easier: EasierWords = {
  'slow-belly-breaths': [
    'Breathing as it comes.',
    'One hand on the belly. Let the breath come and go by itself and only watch it.',
    'Watch the breath, do not steer it.',
  ],
  'nose-in-mouth-out': [
    'Nose in, nose out.',
    'Breathe in through the nose and out through the nose, a little longer.',
    'In and out through the nose.',
  ],
  'warm-palms-over-eyes': [
    'Hands in the lap.',
    'Close the eyes and let the hands rest in the lap.',
    'Eyes closed, hands in the lap.',
  ],
  'travelling-palms': [
    'One place only.',
    'Lay the warm palms on the chest and stay there.',
    'Palms rest on the chest.',
  ],
  'closing-word': [
    'In silence.',
    'Hands in the lap. We close with one quiet out-breath together.',
    'One quiet out-breath together.',
  ],
  'shoulder-rolls-both-ways': [
    'One shoulder at a time.',
    'Roll only one shoulder, small and slow, then the other.',
    'One shoulder at a time, small.',
  ],
  'chest-circles': [
    'Only forward and back.',
    'Move the breastbone a little forward and back, without a circle.',
    'Breastbone forward and back.',
  ],
  'elbow-circles-with-breath': [
    'Arms hanging.',
    'Let the arms hang and circle only the shoulders with the breath.',
    'Shoulders circle with the breath.',
  ],
  'chin-over-shoulder': [
    'Half the way.',
    'Turn the head only halfway and let the eyes look the rest.',
    'Halfway, the eyes look on.',
  ],
  'head-half-circles': [
    'Only a nod.',
    'Let the chin sink and come back, without rolling to the side.',
    'Chin sinks and comes back.',
  ],
  'spread-finger-drumming': [
    'Resting fingers.',
    'Lay the spread fingers on the scalp and let them rest there.',
    'Fingers rest on the scalp.',
  ],
  'hair-root-lifts': [
    'Only holding.',
    'Close the fingers softly at the roots and hold without lifting.',
    'Hold softly, no lifting.',
  ],
  'hair-root-circles': [
    'One place, very light.',
    'Fingertips above the ears, tiny light circles in one place.',
    'Tiny light circles above the ears.',
  ],
  'fingers-together-on-the-scalp': [
    'Without pressing.',
    'Lay the spread fingers on the sides of the head and breathe.',
    'Fingers rest on the sides of the head.',
  ],
  'shampoo-kneading': [
    'As light as foam.',
    'Move the fingers over the scalp as light as foam.',
    'As light as foam.',
  ],
  'crown-circles': [
    'Resting on the crown.',
    'Lay a palm on the crown and breathe.',
    'A palm rests on the crown.',
  ],
  'back-of-crown-circles': [
    'Resting behind the crown.',
    'Lay a palm behind the crown and breathe.',
    'A palm rests behind the crown.',
  ],
  'front-neck-pulses': [
    'Half as many.',
    'Tighten the skin of the neck softly every second breath and let go.',
    'A soft pulse every second breath.',
  ],
  'tongue-palate-press': [
    'Half the strength.',
    'Lay the whole tongue on the palate and press only lightly.',
    'Tongue on the palate, lightly.',
  ],
  'tongue-toward-nose': [
    'Toward the lip.',
    'Stretch the tongue only to the upper lip and hold it there.',
    'Tongue to the upper lip.',
  ],
  'tongue-corner-to-corner': [
    'Inside the mouth.',
    'Lips closed. Let the tongue tip touch one corner and the other from inside.',
    'From corner to corner, lips closed.',
  ],
  'side-neck-lift': [
    'Without the lift.',
    'Turn the head a little and only feel the long muscle at the side.',
    'Turn a little, no lift.',
  ],
  'soft-jaw-drop': [
    'Lips stay together.',
    'Palms on the cheeks. Only let the teeth part behind closed lips.',
    'Teeth part, lips stay together.',
  ],
  'jaw-drop-under-temple-palms': [
    'Lips stay together.',
    'Palms on the temples. Only let the teeth part behind closed lips.',
    'Teeth part, lips stay together.',
  ],
  'smiling-o-lip-pulses': [
    'Without pulses.',
    'Small O, smiling corners, and simply hold.',
    'Small O, and hold.',
  ],
  'o-to-smile': [
    'Half the size.',
    'A small O, then a small smile, and back.',
    'Small O, small smile.',
  ],
  'folded-lip-press': [
    'Without pressing.',
    'Fold both lips in and let them rest on each other.',
    'Lips folded in, at rest.',
  ],
  'pucker-hold': [
    'A light pucker.',
    'Push the lips forward only a little and hold lightly.',
    'A light pucker.',
  ],
  'corner-pull-against-fingers': [
    'Without the fingers.',
    'Draw the mouth corners together on their own and let go.',
    'Corners together, no fingers.',
  ],
  'corner-squeeze-against-fingers': [
    'Without the fingers.',
    'Tighten the mouth corners on their own and let go.',
    'Tighten the corners, no fingers.',
  ],
  'thumbs-level-corners': [
    'Only looking.',
    'Look into the mirror and lift both corners to one height without the hands.',
    'Lift the corners level, no hands.',
  ],
  'level-smile-tongue-corners': [
    'Without the smile.',
    'Mouth at rest. Press the tongue tip lightly into the corner.',
    'Tongue lightly into the corner.',
  ],
  'lip-flutter': [
    'A long breath.',
    'Let a long breath out through loose lips; they need not flutter.',
    'Long breath through loose lips.',
  ],
  'quick-lip-pinches': [
    'Light taps.',
    'Tap round the lips with one fingertip instead of pinching.',
    'Tap round the lips.',
  ],
  'kiss-press': [
    'Without the fingers.',
    'Blow a soft kiss into the air and let go.',
    'A soft kiss into the air.',
  ],
  'closed-mouth-tongue-circles': [
    'Small circles.',
    'Lips closed. Let the tongue circle small, only behind the upper lip.',
    'Small circles behind the upper lip.',
  ],
  'full-cheeks-with-taps': [
    'Half full, a few taps.',
    'Fill the cheeks halfway and tap slowly on one side.',
    'Half full, tap slowly.',
  ],
  'air-side-to-side': [
    'Half the air.',
    'Fill one cheek halfway and let the air wander over slowly.',
    'Half the air, slowly over.',
  ],
  'air-up-and-down': [
    'Only above.',
    'Push a little air below the upper lip and let it go again.',
    'A little air above, and go.',
  ],
  'smile-pulses': [
    'Without pulses.',
    'Smile halfway with closed lips and hold it softly.',
    'Half a smile, and hold.',
  ],
  'tucked-lip-smile-pulses': [
    'Without pulses.',
    'Tuck the lips in, smile a little and hold.',
    'Lips tucked, small smile, hold.',
  ],
  'light-purse-cheek-smile': [
    'Only the smile.',
    'Leave the lips as they are and smile with the upper cheeks.',
    'Smile with the upper cheeks.',
  ],
  'fish-lips-smile': [
    'Without the smile.',
    'Draw the cheeks in softly and let go.',
    'Cheeks in, and go.',
  ],
  'o-breathing': [
    'Only the O.',
    'Make a small O and breathe softly through it.',
    'Breathe through a small O.',
  ],
  'nostril-flares': [
    'Only feeling.',
    'Rest the fingers beside the nostrils and feel them move with the breath.',
    'Feel the nostrils move.',
  ],
  'nose-side-strokes': [
    'Only down.',
    'Stroke lightly down beside the nose and lift the fingers off.',
    'Light strokes down.',
  ],
  'forehead-palms-eyes-wide': [
    'Eyes just open.',
    'Palms on the forehead. Look far away with the eyes just open.',
    'Palms on the forehead, look far away.',
  ],
  'gaze-side-to-side': [
    'Eyes closed.',
    'Close the eyes and let them wander from side to side behind the lids.',
    'From side to side behind closed lids.',
  ],
  'gaze-far-holds': [
    'Half as far.',
    'Look only halfway to the side and stay there.',
    'Halfway to the side.',
  ],
  'gaze-up-and-down': [
    'Eyes closed.',
    'Close the eyes and let them wander up and down behind the lids.',
    'Up and down behind closed lids.',
  ],
  'gaze-up-hold': [
    'Half as high.',
    'Look only a little up and stay there.',
    'A little up, and stay.',
  ],
  'gaze-down-hold': [
    'Half as low.',
    'Look only a little down and stay there.',
    'A little down, and stay.',
  ],
  'gaze-circles': [
    'Eyes closed.',
    'Close the eyes and let them draw a small circle behind the lids.',
    'Small circles behind closed lids.',
  ],
  'gaze-at-brow-centre': [
    'Eyes closed.',
    'Close the eyes and only think of the place between the brows.',
    'Think of the brow centre.',
  ],
  'slow-gaze-arcs': [
    'A small arc.',
    'Draw only a small arc with the eyes, as far as it is easy.',
    'A small, slow arc.',
  ],
  'look-up-lift-lower-lids': [
    'Looking ahead.',
    'Look straight ahead and draw the lower lids up a little.',
    'Looking ahead, lower lids lift.',
  ],
  'hairline-press-look-down': [
    'Hands only rest.',
    'Lay the hands on the hairline without pressing and look down.',
    'Hands rest, eyes look down.',
  ],
  'palm-heel-brow-lift': [
    'Without the lift.',
    'Rest the palm heels on the brows and look down.',
    'Palms rest, eyes look down.',
  ],
  'staged-brow-hold': [
    'Two stages.',
    'Fingertips on the brows. Settle, then press in gently, and breathe there.',
    'Settle and press gently.',
  ],
  'braced-brow-slow-blink': [
    'Without the hands.',
    'Hands in the lap. Close the eyes slowly and open them slowly.',
    'A slow blink, no hands.',
  ],
  'braced-brow-open-and-shut': [
    'Without the hands.',
    'Hands in the lap. Open the eyes and shut them softly.',
    'Open and shut, no hands.',
  ],
  'forehead-finger-sweeps': [
    'Resting hands.',
    'Lay both hands on the forehead and let them rest.',
    'Hands rest on the forehead.',
  ],
  'forehead-opposing-hands': [
    'One hand.',
    'Stroke softly over the forehead with one hand.',
    'One soft hand.',
  ],
  'brow-pinches': [
    'Strokes instead.',
    'Stroke along the brows from the inner to the outer end.',
    'Stroke along the brows.',
  ],
  'brow-presses': [
    'Resting fingers.',
    'Rest the fingers on the brow bone and breathe.',
    'Fingers rest on the brow bone.',
  ],
  'thumbs-lift-under-brow': [
    'On the brow itself.',
    'Rest the thumbs on the brows, away from the eye.',
    'Thumbs rest on the brows.',
  ],
  'hook-strokes-between-brows': [
    'One finger.',
    'Stroke up between the brows with one finger, slowly.',
    'One finger up between the brows.',
  ],
  'under-eye-circles': [
    'On the cheekbone.',
    'Circle lightly on the cheekbone instead, well below the eye.',
    'Light circles on the cheekbone.',
  ],
  'under-eye-ring-finger-sweep': [
    'On the cheekbone.',
    'Sweep along the cheekbone instead, well below the eye.',
    'Sweep along the cheekbone.',
  ],
  'cheek-pinches': [
    'Light taps.',
    'Tap the cheeks with soft fingertips instead of pinching.',
    'Tap the cheeks.',
  ],
  'alternate-cheek-lifts': [
    'One hand.',
    'Stroke up over the cheek with one hand, slowly.',
    'One hand up over the cheek.',
  ],
  'corner-to-ear-pulls': [
    'Resting fingers.',
    'Rest the fingers beside the mouth corners and breathe.',
    'Fingers rest beside the corners.',
  ],
  'chin-to-ear-hooks': [
    'Flat hands.',
    'Glide along the jaw with flat hands, lightly.',
    'Flat hands along the jaw.',
  ],
  'jawline-pinches': [
    'Strokes instead.',
    'Stroke along the jaw from the chin to the ears.',
    'Stroke along the jaw.',
  ],
  'lip-line-pinches': [
    'Light taps.',
    'Tap along the lip lines with one fingertip.',
    'Tap along the lip lines.',
  ],
  'ear-squeeze-and-circles': [
    'Only warm hands.',
    'Lay the warm palms over the ears and listen.',
    'Warm palms over the ears.',
  ],
  'neck-sweep-to-collarbone': [
    'Only the collarbone.',
    'Stroke lightly along the collarbone and leave the neck out.',
    'Light strokes along the collarbone.',
  ],
  'upward-slides': [
    'Only the cheeks.',
    'Slide the flat hands up over the cheeks and leave the neck out.',
    'Slide up over the cheeks.',
  ],
  'downward-drain-slides': [
    'Only to the jaw.',
    'Slide lightly from the temples to the jaw and lift the hands off.',
    'From the temples to the jaw.',
  ],
  'closing-face-drain': [
    'Only the face.',
    'Stroke lightly from the middle of the face out to the ears and leave the neck out.',
    'From the middle out to the ears.',
  ],
  'closing-free-massage': [
    'Resting hands.',
    'Lay the hands where the face likes them and let them rest.',
    'Hands rest where it is pleasant.',
  ],
  'between-brows-point': [
    'Only resting.',
    'Rest a finger between the brows without pressing.',
    'A finger rests between the brows.',
  ],
  'above-brow-points': [
    'Only resting.',
    'Rest the fingers above the brows without pressing.',
    'Fingers rest above the brows.',
  ],
  'temple-points': [
    'Only resting.',
    'Rest the palms on the temples and breathe.',
    'Palms rest on the temples.',
  ],
  'skull-base-points': [
    'Warm hands instead.',
    'Lay the warm palms on the back of the neck.',
    'Palms rest on the back of the neck.',
  ],
  'below-ear-point': [
    'Only resting.',
    'Rest the fingers below the ear lobes without pressing.',
    'Fingers rest below the ears.',
  ],
  'crown-point': [
    'Only resting.',
    'Lay a palm on the crown without pressing.',
    'A palm rests on the crown.',
  ],
};
