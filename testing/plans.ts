import { LIBRARY_BOOK, libraryMove } from '@library';
import {
  addSegment,
  type ClassLine,
  changeRules,
  classOf,
  emptyPlan,
  MOST_EXPANDED,
  type Plan,
  type Rules,
  segmentOf,
} from '@/core/class';

export type Line = ClassLine;

/** A class of the given lines from the library. */
export const planOf = (lines: Line[], rules: Partial<Rules> = {}, slotSeconds = 1200): Plan =>
  classOf(changeRules(emptyPlan('A class', slotSeconds), rules), lines, LIBRARY_BOOK);

/** As much as a class may become, in 40 segments. */
export function heavyPlan(): Plan {
  const move = libraryMove('smile-pulses');
  if (!move) throw new Error('the library has no smile pulses');
  const [segments, rounds] = [40, 10];
  const reps = Math.floor(MOST_EXPANDED.beats / (segments * rounds));
  let plan = emptyPlan('As heavy as may be', 4 * 3600);
  for (let i = 0; i < segments; i++) {
    const dose = { kind: 'reps' as const, reps, secondsEach: 1 };
    plan = addSegment(plan, { ...segmentOf(move, `s${i}`), dose, rounds }, 'work');
  }
  return plan;
}

/** An id such as devices make for their events. */
export const eventId = (n: number): string =>
  `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
