import { libraryMove } from '@library';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Block,
  expansionOf,
  MOST_EXPANDED,
  MOST_PROBLEMS,
  overfull,
  type Parsed,
  type Plan,
  parsePlanText,
  planSchema,
  problemOfPlan,
  roundsOf,
} from '.';

/** Plan files that somebody made to do harm, or that were damaged on their way. */

const read = (file: unknown): Parsed<Plan> =>
  parsePlanText(typeof file === 'string' ? file : JSON.stringify(file), libraryMove);
const problems = (file: unknown) => {
  const parsed = read(file);
  return parsed.ok ? [] : parsed.problems;
};
const reps = (rounds: number) => ({
  move: 'smile-pulses',
  rounds,
  dose: { kind: 'reps' as const, reps: 50, secondsEach: 1 },
});
const circuit = (segments: number, laps: number, rounds: number): Plan => {
  const plan = planOf(Array.from({ length: segments }, () => reps(rounds)));
  const all = plan.phases.work.flatMap((block) => block.segments);
  const block: Block = { id: 'b', order: 'circuit', laps, segments: all };
  return { ...plan, phases: { ...plan.phases, work: [block] } };
};

describe('what a class becomes', () => {
  it('is limited, with a sentence that says how much it is and what to do', () => {
    const [first] = problems(circuit(20, 10, 10));
    expect(first?.field).toBe('phases');
    expect(first?.message).toBe(
      'becomes 2000 rounds once laps and sides are gone through; a class has at most 1000. Take rounds, laps or loops away, or make two classes of it',
    );
    expect(problems(circuit(20, 1, 10)).map((p) => p.message)).toEqual([]);
    expect(problems(circuit(20, 5, 10))[0]?.message).toContain('50000 beats to count');
    const hours = planOf(
      Array.from({ length: 20 }, () => ({
        move: 'smile-pulses',
        rounds: 10,
        dose: { kind: 'hold' as const, seconds: 600 },
      })),
    );
    expect(planSchema.safeParse(hours).success).toBe(false);
  });

  it('is known to be too much without all of it being read', () => {
    const many = (blocks: number, segments: number): Plan => {
      const one = planOf(Array.from({ length: blocks * segments }, () => reps(1)));
      const all = one.phases.work.flatMap((b) => b.segments);
      const work = Array.from(
        { length: blocks },
        (_, i): Block => ({
          id: `b${i}`,
          order: 'straight',
          laps: 1,
          segments: all.slice(i * segments, (i + 1) * segments),
        }),
      );
      return { ...one, phases: { ...one.phases, work } };
    };
    const sizes = fc.tuple(fc.integer({ min: 1, max: 65 }), fc.integer({ min: 1, max: 24 }));
    fc.assert(
      fc.property(sizes, fc.integer({ min: 1, max: 10 }), ([blocks, segments], laps) => {
        for (const plan of [many(blocks, segments), circuit(segments, laps, 10)]) {
          const { success } = planSchema.safeParse(plan);
          expect([overfull(plan) === null, problemOfPlan(plan) === null]).toEqual([
            success,
            success,
          ]);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is counted as each round would be done, one after another', () => {
    const segment = fc.record({
      rounds: fc.integer({ min: 1, max: 5 }),
      sides: fc.constantFrom('together' as const, 'each' as const),
      seconds: fc.integer({ min: 1, max: 60 }),
    });
    const any = fc.record({
      segments: fc.array(segment, { minLength: 1, maxLength: 5 }),
      laps: fc.integer({ min: 1, max: 4 }),
      times: fc.integer({ min: 2, max: 4 }),
      order: fc.constantFrom('straight' as const, 'circuit' as const),
    });
    fc.assert(
      fc.property(any, ({ segments, laps, times, order }) => {
        const plan = planOf(segments.map((s) => ({ move: 'smile-pulses', rounds: s.rounds })));
        const all = plan.phases.work
          .flatMap((b) => b.segments)
          .map((s, i) => ({
            ...s,
            sides: segments[i]?.sides ?? 'together',
            dose: { kind: 'hold' as const, seconds: segments[i]?.seconds ?? 1 },
          }));
        const [from, to] = [all[0]?.id ?? '', all.at(-1)?.id ?? ''];
        const block: Block =
          order === 'straight'
            ? { id: 'b', order, laps: 1, segments: all, loops: [{ from, to, times }] }
            : { id: 'b', order, laps, segments: all };
        let [turns, workMs] = [0, 0];
        for (const s of all) {
          const n = roundsOf(block, s) * (s.sides === 'each' ? 2 : 1);
          turns += n;
          workMs += n * (s.dose.seconds * 1000);
        }
        expect(expansionOf([block])).toEqual({ turns, workMs, beats: workMs / 1000 });
      }),
      { numRuns: 300 },
    );
    // An hour of class has about a hundred rounds.
    expect(MOST_EXPANDED.turns).toBeGreaterThan(4 * 150);
  });
});

describe('a plan file that does harm', () => {
  it('is refused soon, with a few complaints', () => {
    const base = planOf([{ move: 'smile-pulses' }]);
    const many = (n: number) => Array.from({ length: n }, () => ({ wrong: true }));
    for (const [file, says] of [
      [{ ...base, moves: Array(240_000).fill(0) }, 'a list of 240000 entries'],
      [{ ...base, moves: many(4000) }, ''],
      [{ ...base, phases: { ...base.phases, work: many(5000) } }, ''],
      [{ ...base, kit: many(3000) }, ''],
      [`${'['.repeat(400_000)}${']'.repeat(400_000)}`, ''],
      [`{"name":"${'x'.repeat(900_000)}"}`, ''],
      [{ ...base, name: 'half \ud83d of a pair' }, 'characters'],
    ] as const) {
      const told = problems(file);
      expect(told.length).toBeGreaterThan(0);
      expect(told.length).toBeLessThanOrEqual(MOST_PROBLEMS + 1);
      expect(JSON.stringify(told)).toContain(says);
      expect(JSON.stringify(told).length).toBeLessThan(20_000);
    }
  });

  const seed = 20_261_127;
  it('never throws and never passes anything on that is no class: 10,000 mutations', () => {
    const texts = [
      planOf([{ move: 'smile-pulses', rounds: 3 }, { move: 'chin-over-shoulder' }]),
      circuit(3, 4, 2),
    ].map((plan) => JSON.stringify(plan));
    const mutation = fc.record({
      text: fc.constantFrom(...texts),
      at: fc.nat(),
      cut: fc.nat({ max: 30 }),
      put: fc.oneof(
        fc.constantFrom('-', '1e999', '[]', '{}', 'null', '"', '\\u0000', ',', '99999', '[[[['),
        fc.constantFrom('__proto__', 'constructor', '"rounds":', '"loops":[{}]', '\ud83d'),
        fc.string({ unit: 'binary', maxLength: 20 }),
      ),
    });
    fc.assert(
      fc.property(mutation, ({ text, at, cut, put }) => {
        const where = at % text.length;
        const parsed = read(text.slice(0, where) + put + text.slice(where + cut));
        if (parsed.ok) expect(planSchema.safeParse(parsed.value).success).toBe(true);
        else expect(parsed.problems.length).toBeGreaterThan(0);
      }),
      { numRuns: 10_000, seed },
    );
  });
});
