import { libraryMove } from '@library';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDose } from '@/core/testing/arbitrary';
import {
  type Dose,
  doseBeats,
  doseLabel,
  doseMs,
  doseRange,
  doseSchema,
  hasVariant,
  inVariant,
  moveText,
  variantText,
} from '.';

/** How a dose resolves to seconds: common practice. */
describe('a dose in seconds (common practice)', () => {
  it.each<[Dose, number, string]>([
    [{ kind: 'hold', seconds: 30 }, 30_000, '30 s hold'],
    [{ kind: 'counts', counts: 10, tempo: 60 }, 10_000, '10 counts at 60'],
    [
      { kind: 'breaths', breaths: 5, pattern: { in: 4, hold: 0, out: 6, pause: 0 } },
      50_000,
      '5 breaths of 10 s',
    ],
    [
      { kind: 'breaths', breaths: 2, pattern: { in: 3, hold: 1, out: 3, pause: 0.5 } },
      15_000,
      '2 breaths of 7.5 s',
    ],
    [{ kind: 'reps', reps: 12, secondsEach: 4 }, 48_000, '12 × 4 s'],
    [{ kind: 'passes', passes: 3, secondsEach: 20 }, 60_000, '3 passes of 20 s'],
    [{ kind: 'taps', taps: 20, tempo: 60 }, 20_000, '20 taps at 60'],
    [{ kind: 'open', seconds: 40, floorSeconds: 20, ceilingSeconds: 90 }, 40_000, 'about 40 s'],
  ])('%j', (dose, ms, label) => {
    expect(doseMs(dose)).toBe(ms);
    expect(doseLabel(dose)).toBe(label);
  });

  it('is always a whole number of ms, and its beats fill it', () => {
    fc.assert(
      fc.property(anyDose, (dose) => {
        const ms = doseMs(dose);
        const { count, beatMs } = doseBeats(dose);
        expect(Number.isInteger(ms) && ms > 0).toBe(true);
        expect(Math.abs(ms - count * beatMs)).toBeLessThan(1001);
        expect(doseSchema.safeParse(dose).success).toBe(true);
      }),
    );
  });

  it('that is open lies between its floor and its ceiling', () => {
    const open = { kind: 'open', seconds: 10, floorSeconds: 20, ceilingSeconds: 30 };
    expect(doseSchema.safeParse(open).error?.issues[0]?.message).toMatch(/between its floor/);
  });
});

describe('versions of a move', () => {
  const move = libraryMove('tongue-taps-to-palate');
  if (!move) throw new Error('the library lost tongue-taps-to-palate');

  it('change what they say and how it is done, and keep the rest', () => {
    expect(hasVariant(move, 'easier') && !hasVariant(move, 'harder')).toBe(true);
    expect(inVariant(move, 'easier').head).toBe('level');
    expect(inVariant(move, 'harder')).toBe(move);
    const easier = variantText(move, 'en', 'easier');
    expect(easier.setup).toEqual([
      'Look straight ahead, chin level. Tap the tongue tip against the palate, one tap a second.',
    ]);
    expect(easier.form).toBe(moveText(move, 'en').form);
  });

  it('have a sensible range: their own, or half to twice the usual', () => {
    expect(doseRange(move, 20_000)).toEqual([10, 40]);
    expect(doseRange({ ...move, range: undefined }, 20_000)).toEqual([10, 40]);
    expect(doseRange({ ...move, range: undefined }, 400_000)).toEqual([200, 600]);
  });
});
