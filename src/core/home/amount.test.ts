import { LIBRARY_BOOK, phrasesOf } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { type Line, planOf } from '@testing/plans';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { resolve } from '../class';
import { wordsIn } from '../follow/words';
import { LANGUAGES, type Language } from '../language';
import { amountIn } from '../move';
import { doseOn, turns } from '../score';
import { amountOf } from '.';
import { homeWordsIn } from './words';

const spokenIn = (language: Language) => ({
  phrases: phrasesOf(language),
  words: { side: wordsIn(language).side, pace: homeWordsIn(language).given.pace },
});
const told = (line: Line, language: Language = 'en'): string => {
  const [turn] = turns(resolve(planOf([line]), LIBRARY_BOOK));
  if (!turn) throw new Error('nothing is done');
  return amountOf(turn, spokenIn(language));
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
    'your left side: 2 rounds of 20 seconds; your right side: 2 rounds of 30 seconds',
  );
  expect(told({ ...line, uneven }, 'de')).toBe(
    'deine linke Seite: 2 Runden, je 20 Sekunden; deine rechte Seite: 2 Runden, je 30 Sekunden',
  );
});

it('says how slowly what is not a time is done', () => {
  const passes = { kind: 'passes', passes: 4, secondsEach: 15 } as const;
  const line = { move: 'closing-face-drain', rounds: 1, dose: passes };
  expect(told(line)).toBe('4 times over (15 s a time)');
  expect(told(line, 'de')).toBe('4 Durchgänge (jedes Mal 15 s)');
  const quick = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
  expect(told({ move: 'smile-pulses', rounds: 1, dose: quick })).toBe('20 times');
});

it('tells every amount, round and side that is done, of any class, in every language', () => {
  fc.assert(
    fc.property(anyPlan, fc.constantFrom(...LANGUAGES), (plan, language) => {
      const seen = new Set<string>();
      for (const turn of turns(resolve(plan, LIBRARY_BOOK))) {
        if (seen.has(turn.segment.id)) continue;
        seen.add(turn.segment.id);
        const says = amountOf(turn, spokenIn(language));
        const { uneven } = turn.segment;
        const { side } = wordsIn(language);
        if (uneven && turn.shared === 'each') {
          expect(says).toContain(side.left);
          expect(says).toContain(side.right);
          const more = Math.round(amountIn(doseOn(turn, uneven.side)));
          if (more > 20) expect(says).toContain(String(more));
        } else if (turn.shared === 'each') {
          expect(says).toMatch(/each side|jeder Seite/);
        } else if (turn.shared === 'directions') {
          expect(says).toMatch(/each way|jede Richtung/);
        } else expect(says).not.toMatch(/each side|each way|jeder Seite|jede Richtung/);
        if (turn.rounds > 1) expect(says).toContain(String(turn.rounds));
        expect(says).not.toMatch(/undefined|NaN|\{/);
      }
    }),
  );
});
