import { LIBRARY, LIBRARY_BOOK } from '@library';
import type { Checked } from '@/core/checks';
import type { Plan } from '@/core/class';
import { recompiler } from '@/core/score';
import { estimateSpeech, rememberingMeter } from '@/core/speech';

/** Each text is estimated once, whichever class says it. */
const estimate = rememberingMeter(estimateSpeech);

/** A class of library moves as the checks look at it; nobody is booked where nothing is said. */
export const checkedOf = (
  plan: Plan,
  more: Partial<Pick<Checked, 'people' | 'sessionsAWeek' | 'shelf' | 'talk' | 'unsaid'>> = {},
): Checked => {
  // As Compose does it: of a repair only what it touches is compiled anew.
  const recompile = recompiler(LIBRARY_BOOK, { lengths: new Map(), estimate });
  const compile = (p: Plan) => recompile(p).score;
  return {
    plan,
    score: compile(plan),
    book: LIBRARY_BOOK,
    shelf: LIBRARY,
    people: [],
    sessionsAWeek: 1,
    compile,
    ...more,
  };
};
