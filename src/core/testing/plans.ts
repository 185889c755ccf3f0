import { libraryMove } from '@library';
import {
  addSegment,
  changeRules,
  emptyPlan,
  type Plan,
  phaseFor,
  type Rules,
  type Segment,
  segmentOf,
} from '@/core/class';

export interface Line extends Partial<Omit<Segment, 'id'>> {
  move: string;
}

/** A class of the given lines, each in a block of its own in the phase its move belongs to. */
export function planOf(lines: Line[], rules: Partial<Rules> = {}, slotSeconds = 1200): Plan {
  let plan = changeRules(emptyPlan('A class', slotSeconds), rules);
  lines.forEach((line, i) => {
    const move = libraryMove(line.move);
    if (!move) throw new Error(`no move ${line.move}`);
    plan = addSegment(plan, { ...segmentOf(move, `s${i + 1}`), ...line }, phaseFor(move));
  });
  return plan;
}

/** An id such as devices make for their events. */
export const eventId = (n: number): string =>
  `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
