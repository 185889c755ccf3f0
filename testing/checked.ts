import { LIBRARY, LIBRARY_BOOK } from '@library';
import type { Checked } from '@/core/checks';
import type { Plan } from '@/core/class';
import { compile } from '@/core/score';

/** A class of library moves as the checks look at it; nobody is booked where nothing is said. */
export const checkedOf = (
  plan: Plan,
  more: Partial<Pick<Checked, 'people' | 'sessionsAWeek' | 'talk' | 'unsaid'>> = {},
): Checked => ({
  plan,
  score: compile(plan, LIBRARY_BOOK),
  book: LIBRARY_BOOK,
  shelf: LIBRARY,
  people: [],
  sessionsAWeek: 1,
  compile: (p) => compile(p, LIBRARY_BOOK),
  ...more,
});
