import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { AREAS } from './areas';
import { allCarried } from './carried';
import { CAUTIONS, type CarriedCaution, carriedCautionSchema } from './cautions';

const carried: fc.Arbitrary<CarriedCaution> = fc.record(
  {
    caution: fc.constantFrom(...CAUTIONS),
    areas: fc.uniqueArray(fc.constantFrom(...AREAS), { minLength: 1 }),
  },
  { requiredKeys: ['caution'] },
);
const list = fc.array(carried, { maxLength: 8 });

/** Whether a list has a caution against a place, looked at one by one. */
const holds = (of: readonly CarriedCaution[], caution: string, area: string): boolean => {
  for (const one of of) {
    if (one.caution === caution && (!one.areas || one.areas.some((a) => a === area))) return true;
  }
  return false;
};

it('holds wherever one of the lists does and nowhere else, each caution once', () => {
  fc.assert(
    fc.property(list, list, (one, other) => {
      const all = allCarried(one, other);
      for (const caution of CAUTIONS) {
        for (const area of AREAS) {
          const either = holds(one, caution, area) || holds(other, caution, area);
          expect(holds(all, caution, area)).toBe(either);
        }
      }
      expect(new Set(all.map((c) => c.caution)).size).toBe(all.length);
      expect(all.map((c) => carriedCautionSchema.parse(c))).toEqual(all);
      expect(allCarried(all)).toEqual(all);
    }),
    { numRuns: RUNS },
  );
});
