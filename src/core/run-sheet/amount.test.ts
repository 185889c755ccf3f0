import { LIBRARY_BOOK } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { type Line, planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placedSegments, resolve } from '../class';
import { doseLabel } from '../move';
import { dosesOfTurn, firstTurnsOf, turns } from '../score';
import { amountDone } from '.';

const ONCE = { order: 'straight', laps: 1 } as const;
const done = (line: Line, block: Parameters<typeof amountDone>[1] = ONCE): string => {
  const [turn] = firstTurnsOf(resolve(planOf([line]), LIBRARY_BOOK)).values();
  if (!turn) throw new Error('nothing is done');
  return amountDone(turn, block);
};
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;
const each = { move: 'chin-over-shoulder', rounds: 3, dose: hold(20), sides: 'each' } as const;

describe('how much is done', () => {
  it('is told once where rounds are alike, with laps and sides', () => {
    expect(done(each)).toMatch(/^20 s hold × 3, /);
    expect(done({ ...each, rounds: 1, sides: 'together' })).toBe('20 s hold');
    const circuit = { order: 'circuit', laps: 2 } as const;
    expect(done({ ...each, sides: 'together' }, circuit)).toBe('20 s hold × 3, 2 laps');
    const inTurn = { order: 'alternating', laps: 1 } as const;
    expect(done({ ...each, sides: 'together' }, inTurn)).toBe('20 s hold × 3, in turn');
  });

  it('is told round by round where they differ', () => {
    const byRound = [{ dose: hold(30) }, { dose: hold(30) }, {}];
    expect(done({ ...each, sides: 'together', byRound })).toBe('30 s hold × 2, then 20 s hold');
  });

  it('is as the version counts that is done', () => {
    const dose = { kind: 'reps', reps: 20, secondsEach: 1 } as const;
    const line = { move: 'smile-pulses', rounds: 2, dose } as const;
    expect(done(line)).toBe('20 × 1 s × 2');
    expect(done({ ...line, variant: 'easier' })).toBe('20 s hold × 2');
  });

  it('has the side that is uneven on purpose', () => {
    const uneven = { side: 'right', dose: hold(30), reason: 'weaker' } as const;
    expect(done({ ...each, uneven })).toMatch(/^20 s hold × 3, .*, right 30 s hold$/);
    // It counts for nothing where both sides work together.
    expect(done({ ...each, sides: 'together', uneven })).toBe('20 s hold × 3');
  });

  it('leaves out nothing of what any turn of any class has', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const resolved = resolve(plan, LIBRARY_BOOK);
        const first = firstTurnsOf(resolved);
        const blocks = new Map(placedSegments(plan).map((p) => [p.segment.id, p.block]));
        for (const turn of turns(resolved)) {
          const [begins, block] = [first.get(turn.segment.id), blocks.get(turn.segment.id)];
          if (!begins || !block) throw new Error('a turn of no segment');
          expect(begins.round).toBe(1);
          const says = amountDone(begins, block);
          for (const dose of dosesOfTurn(turn)) expect(says).toContain(doseLabel(dose));
        }
      }),
    );
  });
});
