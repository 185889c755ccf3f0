import { anyDose } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Dose, doseLabel, doseMs, typeDose } from '.';

const hold: Dose = { kind: 'hold', seconds: 20 };
const reps: Dose = { kind: 'reps', reps: 12, secondsEach: 4 };
const taps: Dose = { kind: 'taps', taps: 20, tempo: 60 };
const slow = { in: 4, hold: 0, out: 6, pause: 0 };
const breaths: Dose = {
  kind: 'breaths',
  breaths: 3,
  pattern: { in: 2, hold: 1, out: 3, pause: 0 },
};
const open: Dose = { kind: 'open', seconds: 30, floorSeconds: 15, ceilingSeconds: 60 };

describe('typing a dose', () => {
  it.each<[string, Dose, Dose]>([
    ['30', hold, { kind: 'hold', seconds: 30 }],
    ['0:30', hold, { kind: 'hold', seconds: 30 }],
    ['2 min', hold, { kind: 'hold', seconds: 120 }],
    ['30 s hold', hold, { kind: 'hold', seconds: 30 }],
    ['5 breaths', hold, { kind: 'breaths', breaths: 5, pattern: slow }],
    ['5 breaths', breaths, { ...breaths, breaths: 5 }],
    ['4 breaths of 10 s', breaths, { kind: 'breaths', breaths: 4, pattern: slow }],
    ['20@60', hold, { kind: 'counts', counts: 20, tempo: 60 }],
    ['20@90', taps, { kind: 'taps', taps: 20, tempo: 90 }],
    ['15 taps @ 45', hold, { kind: 'taps', taps: 15, tempo: 45 }],
    ['15', reps, { ...reps, reps: 15 }],
    ['1 min', reps, { ...reps, reps: 15 }],
    ['8 × 5 s', reps, { kind: 'reps', reps: 8, secondsEach: 5 }],
    ['8x5', hold, { kind: 'reps', reps: 8, secondsEach: 5 }],
    ['12 reps of 4 s', hold, reps],
    ['3 passes of 20 s', hold, { kind: 'passes', passes: 3, secondsEach: 20 }],
    ['10 counts at 40', hold, { kind: 'counts', counts: 10, tempo: 40 }],
    ['about 40 s', hold, { kind: 'open', seconds: 40, floorSeconds: 20, ceilingSeconds: 80 }],
    ['70', open, { kind: 'open', seconds: 70, floorSeconds: 15, ceilingSeconds: 70 }],
    ['22,5 s', hold, { kind: 'hold', seconds: 22.5 }],
  ])('reads %s', (text, current, dose) => {
    expect(typeDose(text, current)).toEqual({ ok: true, dose });
  });

  it.each(['a while', '', '5 furlongs', '20@', '@60', '3 x', '-5'])(
    'says what to write for “%s”',
    (text) => {
      const typed = typeDose(text, hold);
      expect(typed.ok ? '' : typed.message).toMatch(/^Write a dose such as/);
    },
  );

  it('keeps to the limits of a dose', () => {
    const typed = typeDose('11 min', hold);
    expect(typed.ok ? '' : typed.message).toBe('This must be at most 600 seconds.');
    expect(typeDose('20@500', taps).ok).toBe(false);
    expect(typeDose('0', hold).ok).toBe(false);
  });

  it('takes every dose as it is written on the screen, and it lasts as long', () => {
    fc.assert(
      fc.property(anyDose, (dose) => {
        const typed = typeDose(doseLabel(dose), dose);
        expect(typed.ok).toBe(true);
        // Labels round to two decimals of a second.
        if (typed.ok)
          expect(Math.abs(doseMs(typed.dose) - doseMs(dose))).toBeLessThanOrEqual(10 * 60);
      }),
      { numRuns: 500 },
    );
  });
});
