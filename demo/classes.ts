import { LIBRARY_BOOK } from '@library';
import { type ClassLine, classOf, emptyPlan, type Plan } from '@/core/class';

type Line = [move: string, change?: Omit<ClassLine, 'move'>];

function assemble(name: string, minutes: number, lines: Line[]): Plan {
  const all = lines.map(([move, change]) => ({ move, ...change }));
  return classOf(emptyPlan(name, minutes * 60), all, LIBRARY_BOOK);
}

const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

/** The classes of the demo studio: a lunchtime choir, people before a night shift, an online group. */
export const choir: Plan = assemble('Loose jaw before choir', 20, [
  ['slow-belly-breaths'],
  ['collarbone-to-crown-tapping'],
  ['shoulder-rolls-both-ways'],
  ['tall-o-cheek-lift', { restSeconds: 5 }],
  ['soft-jaw-drop'],
  ['braced-brow-slow-blink'],
  ['folded-lip-press'],
  ['tongue-palate-press', { dose: hold(15) }],
  ['jaw-muscle-circles'],
  ['forehead-finger-sweeps'],
  ['neck-sweep-to-collarbone', { dose: { kind: 'passes', passes: 5, secondsEach: 3 } }],
  ['closing-face-drain', { dose: { kind: 'passes', passes: 3, secondsEach: 12 } }],
  ['warm-palms-over-eyes', { phase: 'close' }],
]);

export const nightShift: Plan = assemble('Soft face before the night shift', 30, [
  [
    'slow-belly-breaths',
    { dose: { kind: 'breaths', breaths: 6, pattern: { in: 4, hold: 0, out: 6, pause: 0 } } },
  ],
  ['shoulder-rolls-both-ways'],
  ['chin-over-shoulder'],
  ['side-lean-with-hand'],
  ['collarbone-to-crown-tapping', { dose: { kind: 'passes', passes: 3, secondsEach: 20 } }],
  ['hair-root-circles'],
  ['braced-brow-slow-blink'],
  ['lower-lid-lifts'],
  ['tall-o-cheek-lift'],
  ['full-cheeks-hold', { rounds: 2 }],
  ['smile-pulses', { rounds: 2 }],
  ['nostril-flares'],
  ['tongue-palate-press', { rounds: 2 }],
  ['finger-resisted-chin-scoop'],
  ['jaw-muscle-circles'],
  ['under-cheekbone-points'],
  ['forehead-finger-sweeps'],
  ['under-eye-ring-finger-sweep'],
  ['ear-squeeze-and-circles'],
  ['closing-face-drain'],
  ['warm-palms-over-eyes', { phase: 'close' }],
]);

export const online: Plan = assemble('Five minutes, cameras on', 5, [
  [
    'slow-belly-breaths',
    { dose: { kind: 'breaths', breaths: 2, pattern: { in: 4, hold: 0, out: 6, pause: 0 } } },
  ],
  ['tall-o-cheek-lift', { dose: hold(20), rounds: 2, releaseSeconds: 8 }],
  ['smile-pulses', { rounds: 1 }],
  ['forehead-finger-sweeps', { dose: { kind: 'passes', passes: 5, secondsEach: 4 } }],
  [
    'warm-palms-over-eyes',
    {
      phase: 'close',
      dose: { kind: 'breaths', breaths: 3, pattern: { in: 3, hold: 0, out: 4, pause: 0 } },
    },
  ],
]);
