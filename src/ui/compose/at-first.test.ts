import { LIBRARY, LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { check, type Finding } from '@/core/checks';
import type { Plan } from '@/core/class';
import { compile } from '@/core/score';
import { estimateSpeech } from '@/core/speech';
import { firstFindings, isLong } from './at-first';

const BOOKED = {
  id: 'p1',
  name: 'Maren',
  cautions: [{ caution: 'pregnancy' as const, note: '' }],
  met: new Set<string>(),
};
const toJudge = (plan: Plan) => ({
  plan,
  library: LIBRARY,
  room: { people: [BOOKED], recent: [], sessionsAWeek: 3, next: null, timeZone: 'Europe/Dublin' },
  lengths: new Map<string, number>(),
  voices: {} as never,
  talk: { samples: [] } as never,
});

/** What the checks say of a class that is compiled whole, with nothing taken over. */
function findingsOf(plan: Plan): Finding[] {
  const whole = (other: Plan) =>
    compile(other, LIBRARY_BOOK, { meter: estimateSpeech, room: [BOOKED.met] });
  return check({
    plan,
    score: whole(plan),
    book: LIBRARY_BOOK,
    shelf: LIBRARY,
    people: [BOOKED],
    sessionsAWeek: 3,
    compile: whole,
  });
}

const inWords = (findings: readonly { repair?: { label: string } }[] | null) =>
  findings?.map(({ repair, ...finding }) => ({ ...finding, repair: repair?.label }));

describe('what is to be known of a class when it is opened', () => {
  it('is what its checks find, and can be sent', () => {
    // A long class is for the test below: most that are generated are short, and one is long now and then.
    const short = anyPlan.filter((plan) => !isLong(plan));
    fc.assert(
      fc.property(short, (plan) => {
        const first = firstFindings(toJudge(plan));
        expect(inWords(first)).toEqual(inWords(findingsOf(plan)));
        expect(structuredClone(first)).toEqual(first);
      }),
      { numRuns: 40 },
    );
  });

  it('is left to the browser for a class that would keep others waiting', () => {
    const endless = planOf(
      Array.from({ length: 40 }, () => ({ move: 'smile-pulses', rounds: 10 })),
    );
    expect(firstFindings(toJudge(endless))).toBeNull();
  });
});
