import { LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { waysOf } from '../checks';
import {
  allEasier,
  dosesIn,
  type Plan,
  placedSegments,
  removeSegments,
  updateSegment,
} from '../class';
import { CAUTIONS, concerns, hasVariant, type Move } from '../move';
import { isAgainst, planForPerson } from '.';

it('hurts nobody by what they carry, and leaves all else of the class as it is', () => {
  const cautions = fc
    .subarray([...CAUTIONS], { maxLength: 3 })
    .map((all) => all.map((caution) => ({ caution })));
  fc.assert(
    fc.property(anyPlan, cautions, (plan, carried) => {
      const made = planForPerson(plan, carried, LIBRARY_BOOK);
      for (const done of waysOf(made.plan, LIBRARY_BOOK)) {
        for (const way of [...done.ways, ...done.releases]) {
          expect(concerns(way, carried)).toEqual([]);
          expect(way.pressure).not.toBe('strong');
        }
      }
      const was = new Map(waysOf(plan, LIBRARY_BOOK).map((done) => [done.segment.id, done]));
      const kept = new Map(placedSegments(made.plan).map(({ segment }) => [segment.id, segment]));
      for (const [id, done] of was) {
        const carries = isAgainst(done, carried);
        const strong = done.ways.some((way) => way.pressure === 'strong');
        const against = carries || strong;
        expect(made.strong.includes(id)).toBe(strong && !carries);
        expect(made.left.includes(id)).toBe(!kept.has(id));
        if (!against) expect(kept.get(id)).toEqual(done.segment);
        else expect(made.easier.includes(id)).toBe(kept.has(id));
        // As much of it is done as was planned, round by round.
        const stays = kept.get(id);
        if (stays) expect(dosesIn(stays)).toEqual(dosesIn(done.segment));
        if (!made.left.includes(id)) continue;
        // Its gentlest way is no better, as it is done here: breaths that are held count as well.
        const gentle = hasVariant(done.move, 'easier')
          ? updateSegment(plan, id, (s) => allEasier(s, done.move))
          : plan;
        const alone = waysOf(gentle, LIBRARY_BOOK).find((d) => d.segment.id === id);
        const no = (way: Move) => way.pressure === 'strong' || concerns(way, carried).length > 0;
        expect(alone?.ways.some(no)).toBe(true);
      }
    }),
    { numRuns: 60 },
  );
});

it('is the class itself for somebody who carries nothing, where nothing in it is strong', () => {
  const without = (plan: Plan) =>
    removeSegments(
      plan,
      waysOf(plan, LIBRARY_BOOK).flatMap(({ segment, ways }) =>
        ways.some((way) => way.pressure === 'strong') ? [segment.id] : [],
      ),
    );
  fc.assert(
    fc.property(anyPlan.map(without), (plan) => {
      const same = { plan, easier: [], left: [], strong: [] };
      expect(planForPerson(plan, [], LIBRARY_BOOK)).toEqual(same);
    }),
    { numRuns: 20 },
  );
});

it('lets somebody do daily what their teacher says may be done daily, however strong', () => {
  const [plan, circles] = [planOf([{ move: 'jaw-knuckle-circles' }]), 'jaw-knuckle-circles'];
  const daily = { ...LIBRARY_BOOK.move(circles), weeklyCap: 7 } as Move;
  const book = { ...LIBRARY_BOOK, move: (id: string) => (id === circles ? daily : undefined) };
  expect(planForPerson(plan, [], book).plan).toEqual(plan);
  expect(planForPerson(plan, [], LIBRARY_BOOK)).toMatchObject({ strong: ['s1'], easier: ['s1'] });
});
