import { LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { waysOf } from '../checks';
import { allEasier, dosesIn, placedSegments, updateSegment } from '../class';
import { CAUTIONS, concerns, hasVariant } from '../move';
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
        }
      }
      const was = new Map(waysOf(plan, LIBRARY_BOOK).map((done) => [done.segment.id, done]));
      const kept = new Map(placedSegments(made.plan).map(({ segment }) => [segment.id, segment]));
      for (const [id, done] of was) {
        const against = isAgainst(done, carried);
        expect(made.left.includes(id)).toBe(!kept.has(id));
        if (!against) expect(kept.get(id)).toEqual(done.segment);
        else expect(made.easier.includes(id)).toBe(kept.has(id));
        // As much of it is done as was planned, round by round.
        const stays = kept.get(id);
        if (stays) expect(dosesIn(stays)).toEqual(dosesIn(done.segment));
        if (!made.left.includes(id)) continue;
        // Its gentlest way is against it too, as it is done here: breaths that are held count as well.
        const gentle = hasVariant(done.move, 'easier') ? updateSegment(plan, id, allEasier) : plan;
        const alone = waysOf(gentle, LIBRARY_BOOK).find((d) => d.segment.id === id);
        expect(alone?.ways.some((way) => concerns(way, carried).length > 0)).toBe(true);
      }
    }),
    { numRuns: 60 },
  );
});

it('is the class itself for somebody who carries nothing', () => {
  fc.assert(
    fc.property(anyPlan, (plan) => {
      expect(planForPerson(plan, [], LIBRARY_BOOK)).toEqual({ plan, easier: [], left: [] });
    }),
    { numRuns: 20 },
  );
});
