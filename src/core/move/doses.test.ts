import { expect, it } from 'vitest';
import { z } from 'zod';
import { type DoseTraits, doseTable } from './dose-table';
import { DOSES, type Dose } from './doses';

interface Waves {
  kind: 'waves';
  waves: number;
}

/** A kind of dose that there is not yet: a wave takes 3 s. */
const waves: DoseTraits<Waves> = {
  schema: z.strictObject({ kind: z.literal('waves'), waves: z.number().int().min(1).max(50) }),
  name: 'Waves',
  beats: (d) => ({ count: d.waves, beatMs: 3000 }),
  withCount: (d, count) => ({ ...d, waves: count }),
  lasting: (seconds) => ({ kind: 'waves', waves: Math.max(1, Math.round(seconds / 3)) }),
  label: (d) => `${d.waves} waves`,
  countedBy: 'number',
  words: { wave: 'waves' },
  typed: (count) => ({ kind: 'waves', waves: count }),
  fields: [{ label: 'Waves', path: ['waves'] }],
};

it('takes an eighth kind of dose by one entry', () => {
  const table = doseTable<Dose | Waves>({ ...DOSES, waves });
  const four: Waves = { kind: 'waves', waves: 4 };
  expect(table.kinds).toHaveLength(8);
  expect(table.ms(four)).toBe(12_000);
  expect(table.schema.parse(four)).toEqual(four);
  expect(table.schema.safeParse({ ...four, waves: 300 }).success).toBe(false);
  expect(table.schema.safeParse({ kind: 'ripples' }).error?.issues[0]?.message).toBe(
    'must be one of hold, counts, breaths, reps, passes, taps, open or waves',
  );
  const hold = { kind: 'hold', seconds: 20 } as const;
  expect(table.read('6 waves', hold)).toEqual({ kind: 'waves', waves: 6 });
  expect(table.read('1 wave', four)).toEqual({ kind: 'waves', waves: 1 });
  // A bare number keeps the kind, a time becomes as many as fit.
  expect(table.read('7', four)).toEqual({ kind: 'waves', waves: 7 });
  expect(table.read('0:30', four)).toEqual({ kind: 'waves', waves: 10 });
  expect(table.read('12 reps', four)).toMatchObject({ kind: 'reps', reps: 12, secondsEach: 4 });
  expect(table.traits(four).lasting(12, hold)).toEqual(four);
  expect(table.traits(hold).label({ ...hold })).toBe('20 s hold');
});

it('holds no work part longer than ten minutes, however it is counted', () => {
  const table = doseTable<Dose>(DOSES);
  const long = { kind: 'reps', reps: 200, secondsEach: 4 } as const;
  expect(table.schema.safeParse(long).error?.issues[0]?.message).toBe(
    'must not last longer than 600 seconds in all',
  );
});
