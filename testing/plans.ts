import { LIBRARY_BOOK } from '@library';
import {
  type ClassLine,
  changeRules,
  classOf,
  emptyPlan,
  type Plan,
  type Rules,
} from '@/core/class';

export type Line = ClassLine;

/** A class of the given lines from the library. */
export const planOf = (lines: Line[], rules: Partial<Rules> = {}, slotSeconds = 1200): Plan =>
  classOf(changeRules(emptyPlan('A class', slotSeconds), rules), lines, LIBRARY_BOOK);

/** An id such as devices make for their events. */
export const eventId = (n: number): string =>
  `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
