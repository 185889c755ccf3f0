import { libraryMove } from '@library';
import { anyDose } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  asKind,
  cuesOf,
  DOSE_KINDS,
  type Dose,
  doseBeats,
  doseIn,
  doseLabel,
  doseMs,
  doseRange,
  doseSchema,
  hasVariant,
  inVariant,
  isTimed,
  moveText,
  traitsOf,
  variantText,
} from '.';

describe('a dose that is to last so long', () => {
  it('is as many of what it was as come nearest, however long each takes', () => {
    fc.assert(
      fc.property(anyDose, fc.integer({ min: 1, max: 600 }), (dose, seconds) => {
        fc.pre(!isTimed(dose));
        const lasting = traitsOf(dose).lasting(seconds, dose);
        const { beatMs } = doseBeats(dose);
        expect(doseBeats(lasting).beatMs).toBe(beatMs);
        let nearest = beatMs;
        for (let ms = beatMs; ms < 700_000 + beatMs; ms += beatMs) {
          if (Math.abs(ms - seconds * 1000) < Math.abs(nearest - seconds * 1000)) nearest = ms;
        }
        const off = (ms: number) => Math.abs(ms - seconds * 1000);
        expect(off(doseMs(lasting))).toBeLessThanOrEqual(off(nearest) + 1);
      }),
    );
  });

  it('keeps its length where its kind is changed, as far as whole ones of it do', () => {
    fc.assert(
      fc.property(anyDose, fc.constantFrom(...DOSE_KINDS), (dose, kind) => {
        const other = asKind(dose, kind);
        const least = kind === 'open' ? 10_000 : 0;
        const wanted = Math.max(least, doseMs(dose));
        const each = isTimed(other) ? 1000 : doseBeats(other).beatMs;
        expect(Math.abs(doseMs(other) - wanted)).toBeLessThanOrEqual(
          wanted < each ? each : each / 2 + 1,
        );
      }),
    );
  });
});

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
    expect(move.head).toBe('back');
    expect(inVariant(move, 'easier').head).toBe('turned');
    expect(inVariant(move, 'harder')).toBe(move);
    const easier = variantText(move, 'en', 'easier');
    expect(easier.setup).toEqual([
      'Chin level. Turn the head only a little to the side, and tap the tongue tip against the palate.',
    ]);
    expect(easier.form).toEqual(moveText(move, 'en').form);
  });

  it('have reminders and a let-go of their own where the move has others', () => {
    const lips = libraryMove('folded-lip-press');
    if (!lips) throw new Error('the library lost folded-lip-press');
    expect(variantText(lips, 'en', 'harder').form[0]).toMatch(/dizzy/);
    expect(variantText(lips, 'en', 'harder').letGo).toMatch(/^Chin level/);
    expect(variantText(lips, 'en', 'easier').letGo).toBe(moveText(lips, 'en').letGo);
    expect(cuesOf(moveText(lips, 'en'))).toContain('Chin level, and let the lips flutter.');
  });

  it.each<[string, Dose, Dose]>([
    ['20 pulses held', { kind: 'reps', reps: 20, secondsEach: 1 }, { kind: 'hold', seconds: 20 }],
    ['a hold stays a hold', { kind: 'hold', seconds: 12.5 }, { kind: 'hold', seconds: 12.5 }],
  ])('last as long as the segment asks: %s', (_, asked, done) => {
    const pulses = libraryMove('smile-pulses');
    expect(pulses && doseIn(pulses, 'easier', asked)).toEqual(done);
    expect(doseMs(done)).toBe(doseMs(asked));
  });

  it('have a sensible range: their own, or half to twice the usual', () => {
    expect(doseRange(move, 20_000)).toEqual([10, 40]);
    expect(doseRange({ ...move, range: undefined }, 20_000)).toEqual([10, 40]);
    expect(doseRange({ ...move, range: undefined }, 400_000)).toEqual([200, 600]);
  });
});
