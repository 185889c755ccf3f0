import { LIBRARY_BOOK, libraryMove } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { checkedOf } from '@testing/checked';
import { planOf } from '@testing/plans';
import { solver } from '@testing/solver';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { raises } from '@/core/checks';
import { type Plan, placedSegments, planSchema, type Segment, updateSegment } from '@/core/class';
import { type CarriedCaution, doseMs } from '@/core/move';
import { lengthOf } from '@/core/score';
import { fitToSlot } from '.';

const ms = (plan: Plan) => lengthOf(plan, LIBRARY_BOOK);

describe('a fit of any class', () => {
  it('never breaks a lock, a floor, a ceiling or a refusal, in classes of any make', () => {
    fc.assert(
      fc.property(
        smallPlan(120),
        fc.integer({ min: 60, max: 130 }),
        fc.nat(),
        (made, percent, pick) => {
          const ids = placedSegments(made).map((p) => p.segment.id);
          const locked = ids[pick % Math.max(1, ids.length)] ?? '';
          const slotSeconds = Math.min(
            14_400,
            Math.max(60, Math.round((ms(made) * percent) / 1e5)),
          );
          const plan = {
            ...updateSegment(made, locked, (s) => ({ ...s, locked: true })),
            slotSeconds,
          };
          const refused = new Set(ids.map((id) => `${id} rounds`));
          const found = fitToSlot(plan, LIBRARY_BOOK, solver, { refused });
          const after = found.kind === 'fits' ? found.plan : found.nearest;
          if (ids.length === 0) return;
          expect(planSchema.safeParse(after).success).toBe(true);
          if (found.kind === 'cannot') expect(found.nearestMs).toBe(ms(after));
          const was = new Map(placedSegments(plan).map((p) => [p.segment.id, p.segment]));
          for (const { segment } of placedSegments(after)) {
            const before = was.get(segment.id) as Segment;
            expect(segment.rounds).toBe(before.rounds);
            if (segment.locked) expect(segment).toEqual(before);
            const move = libraryMove(segment.move);
            if (!move?.range || doseMs(segment.dose) === doseMs(before.dose)) continue;
            const [floor, ceiling] =
              segment.dose.kind === 'open'
                ? [segment.dose.floorSeconds, segment.dose.ceilingSeconds]
                : move.range;
            expect(doseMs(segment.dose)).toBeGreaterThanOrEqual(floor * 1000);
            expect(doseMs(segment.dose)).toBeLessThanOrEqual(ceiling * 1000);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('never asks for more of a dose than a class may have', () => {
    const quick = { kind: 'counts', counts: 24, tempo: 145 } as const;
    const plan = planOf([{ move: 'downward-drain-slides', dose: quick, rounds: 1 }], {}, 300);
    const found = fitToSlot(plan, LIBRARY_BOOK, solver, {});
    const after = found.kind === 'fits' ? found.plan : found.nearest;
    expect(planSchema.safeParse(after).error?.issues).toBeUndefined();
  });

  it('never raises what must be changed, and names what stands in the way, in any class', () => {
    fc.assert(
      fc.property(
        smallPlan(40),
        fc.double({ min: 0.4, max: 1.5, noNaN: true }),
        fc.constantFrom<CarriedCaution[]>(
          [],
          [{ caution: 'bloodPressure' }],
          [{ caution: 'neck' }],
        ),
        (any, share, cautions) => {
          const slotSeconds = Math.max(60, Math.round((ms(any) * share) / 1000));
          const plan = { ...any, slotSeconds };
          const people = [{ id: 'p', name: 'p', cautions, met: new Set<string>() }];
          const checked = checkedOf(plan, { shelf: [], people });
          const unsafe = (changed: Plan) =>
            raises(checked, changed, ['slot-overrun']).flatMap((f) => f.segments);
          const fitted = fitToSlot(plan, LIBRARY_BOOK, solver, { unsafe });
          const after = fitted.kind === 'fits' ? fitted.plan : fitted.nearest;
          expect(unsafe(after)).toEqual([]);
          if (fitted.kind === 'cannot') expect(fitted.collide).not.toEqual([]);
        },
      ),
      { numRuns: Math.min(RUNS, 40) },
    );
  }, 240_000);
});
