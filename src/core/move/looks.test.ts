import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  amountOf,
  FACE_POINTS,
  HAND_FORMS,
  HAND_MOTIONS,
  type HandForm,
  type HandMotion,
  handsOf,
  isPaired,
  isWay,
  looksSchema,
  MOST_KEYS,
  UNIT_NAMES,
  unitsOf,
  wishOf,
  withAmount,
  writtenHands,
} from '.';

const anyHalf = fc.constantFrom('both', 'left', 'right' as const);

describe('an amount of a unit', () => {
  it('is as it was set, and every other stays', () => {
    const edit = fc.record({
      name: fc.constantFrom(...UNIT_NAMES),
      half: anyHalf,
      much: fc.integer({ min: 0, max: 100 }).map((n) => n / 100),
    });
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 12 }), (edits) => {
        let key = '';
        let ought = unitsOf('');
        for (const { name, half, much } of edits) {
          key = withAmount(key, name, half as never, much);
          const one = isPaired(name) || isWay(name) ? `${name}L` : name;
          const sides =
            isPaired(name) && half === 'both'
              ? unitsOf(name)
              : unitsOf(
                  isPaired(name) || isWay(name) ? (half === 'right' ? `${name}R` : one) : name,
                );
          ought = ought.map((value, i) => (sides[i] ? much : value));
          expect(amountOf(key, name, half as never)).toBeCloseTo(much, 9);
        }
        expect(unitsOf(key)).toEqual(ought);
      }),
      { numRuns: 300 },
    );
  });
});

describe('hands', () => {
  it('are read as they were written', () => {
    const wish = fc.record({
      form: fc.constantFrom(...(Object.keys(HAND_FORMS) as HandForm[])),
      motion: fc.constantFrom(...(Object.keys(HAND_MOTIONS) as HandMotion[])),
      way: fc.array(fc.constantFrom(...FACE_POINTS), { minLength: 1, maxLength: 5 }),
      which: fc.constantFrom('both' as const, 'left' as const, 'right' as const, 'cross' as const),
    });
    fc.assert(
      fc.property(wish, (hands) => {
        expect(wishOf({ keys: [''], fingers: writtenHands(hands) })).toEqual(hands);
      }),
    );
    expect(writtenHands(wishOf({ keys: [''] }))).toBe('');
    expect(handsOf(writtenHands(wishOf({ keys: [''] })))).toEqual([]);
  });
});

describe('the picture of a move', () => {
  it('is refused with a sentence where something in it is none', () => {
    const fault = (looks: unknown) => looksSchema.safeParse(looks).error?.issues[0]?.message;
    expect(fault({ keys: ['12', '12:3'] })).toContain('"12:3"');
    expect(fault({ keys: ['12'], fingers: 'tip rest moon' })).toContain('moon');
    expect(fault({ keys: [] })).toContain('at least one moment');
    expect(fault({ keys: Array(MOST_KEYS + 1).fill('') })).toContain('at most 8 moments');
    expect(fault({ keys: ['12 6:.4'], fingers: 'tips rest cheekbone' })).toBeUndefined();
  });
});
