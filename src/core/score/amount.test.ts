import { LIBRARY_BOOK, phrasesOf } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { type Line, planOf } from '@testing/plans';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { resolve } from '../class';
import { LANGUAGES, type Language } from '../language';
import { amountIn, doseMs } from '../move';
import { type AmountAsked, amountOf, doseOn, turns, variantsDone } from '.';

const words = {
  side: { left: 'on the left', right: 'on the right', alternating: 'in turn' },
  pace: '{seconds} s a time',
  after: ', then ',
};
const spokenIn = (language: Language) => ({ phrases: phrasesOf(language), words });
const told = (line: Line, language: Language = 'en', asked: AmountAsked = {}): string => {
  const [turn] = turns(resolve(planOf([line]), LIBRARY_BOOK));
  if (!turn) throw new Error('nothing is done');
  return amountOf(turn, spokenIn(language), asked);
};
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

it('says in how many rounds, and on which sides', () => {
  const line = { move: 'chin-over-shoulder', rounds: 3, dose: hold(20), sides: 'each' } as const;
  expect(told(line)).toBe('3 rounds of 20 seconds on each side');
  expect(told(line, 'de')).toBe('3 Runden, je 20 Sekunden auf jeder Seite');
  const together = { ...line, rounds: 1, sides: 'together' } as const;
  expect(told(together)).toBe('20 seconds');
});

it('says of each side how much it has, where one has more on purpose', () => {
  const line = { move: 'chin-over-shoulder', rounds: 2, dose: hold(20), sides: 'each' } as const;
  const uneven = { side: 'right', dose: hold(30), reason: 'weaker' } as const;
  expect(told({ ...line, uneven })).toBe(
    'on the left: 2 rounds of 20 seconds; on the right: 2 rounds of 30 seconds',
  );
  expect(told({ ...line, uneven }, 'de')).toBe(
    'on the left: 2 Runden, je 20 Sekunden; on the right: 2 Runden, je 30 Sekunden',
  );
});

it('says how slowly what is not a time is done', () => {
  const passes = { kind: 'passes', passes: 4, secondsEach: 15 } as const;
  const line = { move: 'closing-face-drain', rounds: 1, dose: passes };
  expect(told(line)).toBe('4 times over (15 s a time)');
  expect(told(line, 'de')).toBe('4 Durchgänge (15 s a time)');
  const quick = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
  expect(told({ move: 'smile-pulses', rounds: 1, dose: quick })).toBe('20 times');
});

it('says that sides come in turn, and what each round has where they differ', () => {
  const reps = { kind: 'reps', reps: 6, secondsEach: 5 } as const;
  const gaze = { move: 'gaze-side-to-side', rounds: 1, dose: reps, sides: 'alternating' } as const;
  expect(told(gaze)).toBe('6 times, in turn (5 s a time)');
  const line = { move: 'chin-over-shoulder', rounds: 3, sides: 'each' } as const;
  const byRound = [{ dose: hold(30) }, { dose: hold(30) }, {}];
  expect(told({ ...line, dose: hold(20), byRound })).toBe(
    '2 rounds of 30 seconds on each side, then 20 seconds on each side',
  );
});

it('says of some rounds alone, or of one side, what was asked', () => {
  const line = { move: 'chin-over-shoulder', rounds: 3, dose: hold(20), sides: 'each' } as const;
  expect(told(line, 'en', { doses: [hold(20)] })).toBe('20 seconds on each side');
  expect(told(line, 'en', { only: 'left' })).toBe('on the left: 3 rounds of 20 seconds');
  const uneven = { side: 'left', dose: hold(30), reason: 'weaker' } as const;
  expect(told({ ...line, uneven }, 'en', { doses: [hold(20)], only: 'left' })).toBe(
    'on the left: 30 seconds',
  );
});

it('tells every amount, round and side that is done, of any class, in every language', () => {
  fc.assert(
    fc.property(anyPlan, fc.constantFrom(...LANGUAGES), (plan, language) => {
      for (const { turn, doses } of variantsDone(resolve(plan, LIBRARY_BOOK))) {
        const says = amountOf(turn, spokenIn(language), { doses });
        const { uneven } = turn.segment;
        const twoSides = uneven && turn.shared === 'each';
        expect(says.includes(words.side.left)).toBe(Boolean(twoSides));
        expect(says.includes(words.side.right)).toBe(Boolean(twoSides));
        expect(says.includes(words.side.alternating)).toBe(turn.shared === 'alternating');
        if (twoSides) {
          const more = Math.round(amountIn(doseOn(turn, uneven.side)));
          if (more > 20) expect(says).toContain(String(more));
        } else if (turn.shared === 'each') {
          expect(says).toMatch(/each side|jeder Seite/);
        } else if (turn.shared === 'directions') {
          expect(says).toMatch(/each way|jede Richtung/);
        } else expect(says).not.toMatch(/each side|each way|jeder Seite|jede Richtung/);
        for (const dose of twoSides ? [] : doses) {
          const amount = Math.round(amountIn(dose));
          // Smaller numbers may be words.
          if (amount > 20) expect(says).toContain(String(amount));
        }
        expect(says).not.toMatch(/undefined|NaN|\{/);
      }
    }),
  );
});

it('has every round of a class in one variant of its segment, with its dose', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const resolved = resolve(plan, LIBRARY_BOOK);
      const all = turns(resolved);
      const versions = variantsDone(resolved);
      for (const { turn, doses } of versions) {
        const rounds = new Set<number>();
        const own = all.filter(({ segment, variant, round }) => {
          const isNew = segment.id === turn.segment.id && variant === turn.variant;
          if (!isNew || rounds.has(round)) return false;
          rounds.add(round);
          return true;
        });
        expect(own[0]?.key).toBe(turn.key);
        expect(doses.map(doseMs)).toEqual(own.map(({ dose }) => doseMs(dose)));
      }
      const rounds = new Set(all.map(({ segment, round }) => `${segment.id} ${round}`));
      expect(versions.reduce((sum, { doses }) => sum + doses.length, 0)).toBe(rounds.size);
    }),
    { numRuns: 60 },
  );
});
