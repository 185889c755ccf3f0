import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RollEntry } from '@/core/calls';
import { waysOf } from '@/core/checks';
import { changeRules, type Plan, resolve } from '@/core/class';
import { CAUTIONS, type CarriedCaution, concerns, moveText } from '@/core/move';
import { compile } from '@/core/score';
import { wantsWord } from './watch';

const person = (name: string, cautions: CarriedCaution[]): RollEntry => ({
  ...{ participantId: name, name, booked: true, attendance: null, waiting: false, away: false },
  ...{ timesBefore: 1, greet: true, lastAt: null, cautions, notes: [], met: [] },
});
const EACH = CAUTIONS.map((caution) => person(caution, [{ caution }]));
const toldOf = (plan: Plan, entries: readonly RollEntry[] = EACH) =>
  wantsWord(entries, compile(plan, LIBRARY_BOOK), resolve(plan, LIBRARY_BOOK).moves);

describe('who wants a word before a class starts', () => {
  it('is everybody whom the checks of the class are about, with all the moves it is about', () => {
    fc.assert(
      fc.property(smallPlan(40), (plan) => {
        const { language } = plan;
        const expected = EACH.flatMap(({ name, cautions }) => {
          const moves = waysOf(plan, LIBRARY_BOOK).flatMap(({ move, ways, releases }) =>
            [...ways, ...releases].some((way) => concerns(way, cautions).length > 0)
              ? moveText(move, language).name
              : [],
          );
          return moves.length ? [[name, new Set(moves)]] : [];
        });
        const dry = changeRules(plan, { skin: 'dry' });
        const found = toldOf(dry).map((one) => [
          one.person.name,
          new Set(one.words.flatMap((w) => w.moves)),
        ]);
        expect(found).toEqual(expected);
      }),
      { numRuns: Math.min(RUNS, 60) },
    );
  });

  it('is somebody allergic where something is on the skin from the start', () => {
    const plan = planOf([{ move: 'soft-jaw-drop' }]);
    const allergic = person('Edda', [{ caution: 'allergy' }]);
    const words = (skin: 'serum' | 'oil' | 'dry') =>
      toldOf(changeRules(plan, { skin }), [allergic]).flatMap((one) => one.words);
    expect(words('serum')).toEqual([
      { says: 'Check the serum, which is on the skin from the start.', moves: [] },
    ]);
    expect(words('oil')).toHaveLength(1);
    expect(words('dry')).toEqual([]);
  });

  it('is nobody who is not there, and nobody who carries nothing', () => {
    const plan = planOf([{ move: 'soft-jaw-drop' }, { move: 'jaw-knuckle-circles' }]);
    const jaw = person('Runa', [{ caution: 'jaw' }]);
    expect(toldOf(plan, [person('Joss', []), { ...jaw, away: true }])).toEqual([]);
    const [told] = toldOf(plan, [jaw]);
    expect(told?.words).toEqual([
      { says: 'Do the easier version instead.', moves: ['Knuckle circles on the jaw muscle'] },
    ]);
  });
});
