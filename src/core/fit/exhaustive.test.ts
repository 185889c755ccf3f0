import { LIBRARY, LIBRARY_BOOK } from '@library';
import { RUNS } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import { solver } from '@testing/solver';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  groupSegments,
  type Plan,
  placedSegments,
  removeSegment,
  resolve,
  type Segment,
  updateBlock,
  updateSegment,
} from '@/core/class';
import { lengthOf } from '@/core/score';
import { estimateSpeech, rememberingMeter } from '@/core/speech';
import { choicesOf, currentWork, fitToSlot, TOLERANCE_MS } from '.';

/** The estimate, of each text once: a class is measured thousands of times. */
const meter = rememberingMeter(estimateSpeech);
const ms = (plan: Plan) => lengthOf(plan, LIBRARY_BOOK, { meter });

/** One way to have a segment or the laps of a block, and what it costs. */
interface Option {
  apply: (plan: Plan) => Plan;
  cost: number;
  byMs: number;
}

/** Every way to change each segment or block of a class, measured one by one on the whole class. */
function waysOf(plan: Plan, refused: ReadonlySet<string>): Option[][] {
  const now = ms(plan);
  const measured = (apply: Option['apply'], cost: number): Option => ({
    apply,
    cost,
    byMs: ms(apply(plan)) - now,
  });
  return choicesOf(resolve(plan, LIBRARY_BOOK), { refused }).flatMap(
    ({ block, laps, segments }) => {
      if (laps.length > 1) {
        // Laps multiply what is in them, so a circuit is taken as one.
        const all = segments.reduce<{ apply: Option['apply']; cost: number }[]>(
          (so, choices) =>
            so.flatMap((o) =>
              optionsOf(choices).map((c) => ({
                apply: (p: Plan) => c.apply(o.apply(p)),
                cost: o.cost + c.cost,
              })),
            ),
          laps.map(({ value, cost }) => ({
            apply: (p: Plan) => updateBlock(p, block.id, (b) => ({ ...b, laps: value })),
            cost,
          })),
        );
        return [all.map((o) => measured(o.apply, o.cost))];
      }
      return segments.map((choices) =>
        optionsOf(choices)
          .map((o) => measured(o.apply, o.cost))
          .sort((a, b) => a.cost - b.cost),
      );
    },
  );
}

function optionsOf(of: ReturnType<typeof choicesOf>[number]['segments'][number]) {
  const set = (change: Partial<Segment>) => (p: Plan) =>
    updateSegment(p, of.segment.id, (s) => ({ ...s, ...change }));
  const all = of.rounds.flatMap((rounds) =>
    of.doses.flatMap((dose) =>
      of.rests.flatMap((rest) =>
        of.releases.map((release) => ({
          apply: set({
            rounds: rounds.value,
            dose: dose.value,
            restSeconds: rest.value,
            releaseSeconds: release.value,
          }),
          cost: rounds.cost + dose.cost + rest.cost + release.cost,
        })),
      ),
    ),
  );
  if (of.leaveOut === undefined) return all;
  return [...all, { apply: (p: Plan) => removeSegment(p, of.segment.id), cost: of.leaveOut }];
}

const keepsBalance = (before: Plan, after: Plan): boolean => {
  const [was, is] = [
    currentWork(resolve(before, LIBRARY_BOOK)),
    currentWork(resolve(after, LIBRARY_BOOK)),
  ];
  if (before.aim.kind !== 'whole') {
    const share = was.all ? Math.min(0.5, was.aimed / was.all) : 0;
    return is.aimed >= share * is.all - 1;
  }
  return [...was.byRegion].every(
    ([region, work]) => (is.byRegion.get(region) ?? 0) >= Math.floor(Math.min(10_000, work)) - 1,
  );
};

const MOST_COMBINATIONS = 10_000;

/** How many classes trying everything would have to look at. */
const combinations = (plan: Plan, refused: ReadonlySet<string>): number =>
  choicesOf(resolve(plan, LIBRARY_BOOK), { refused }).reduce(
    (n, { laps, segments }) =>
      segments.reduce(
        (m, c) =>
          m *
          (c.rounds.length * c.doses.length * c.rests.length * c.releases.length +
            (c.leaveOut === undefined ? 0 : 1)),
        n * laps.length,
      ),
    1,
  );

/** The cheapest way to make a class last its slot, found by trying everything; null where there is none. */
function exhaustive(plan: Plan, ways: Option[][]): number | null {
  const now = ms(plan);
  const slot = plan.slotSeconds * 1000;
  let best = Number.POSITIVE_INFINITY;
  /** By how much what is still to be chosen can shorten or lengthen the class at most. */
  const reach = ways.map((_, i) => {
    const rest = ways.slice(i).map((options) => options.map((o) => o.byMs));
    const sum = (pick: (all: number[]) => number) => rest.reduce((ms, all) => ms + pick(all), 0);
    return { least: sum((all) => Math.min(...all)), most: sum((all) => Math.max(...all)) };
  });
  const walk = (i: number, length: number, cost: number, taken: Option[]): void => {
    if (cost >= best) return;
    const { least, most } = reach[i] ?? { least: 0, most: 0 };
    if (length + least > slot || length + most < slot - TOLERANCE_MS) return;
    const options = ways[i];
    if (options) {
      for (const option of options) {
        walk(i + 1, length + option.byMs, cost + option.cost, [...taken, option]);
      }
      return;
    }
    if (length > slot || length < slot - TOLERANCE_MS) return;
    const after = taken.reduce((p, o) => o.apply(p), plan);
    if (keepsBalance(plan, after)) best = cost;
  };
  walk(0, now, 0, []);
  return best === Number.POSITIVE_INFINITY ? null : best;
}

const WHATS = ['dose', 'rounds', 'rest', 'release', 'laps'];

const smallLine = fc.record({
  move: fc.constantFrom(...LIBRARY.map((m) => m.id)),
  rounds: fc.integer({ min: 1, max: 3 }),
  restSeconds: fc.constantFrom(0, 4),
  releaseSeconds: fc.constantFrom(0, 8),
  locked: fc.constantFrom(undefined, undefined, true as const),
  optional: fc.boolean(),
  refused: fc.subarray(WHATS),
});

/** Classes small enough to try everything, with a slot that is not far off. */
const smallCase = fc
  .record({
    lines: fc.array(smallLine, { minLength: 1, maxLength: 3 }),
    slot: fc.integer({ min: 70, max: 150 }),
    circuit: fc.boolean(),
    aim: fc.constantFrom(
      ...([
        { kind: 'whole' },
        { kind: 'focus', areas: ['jaw'] },
        { kind: 'purpose', purpose: 'calm' },
      ] satisfies Plan['aim'][]),
    ),
  })
  .map(({ lines, slot, circuit, aim }) => {
    let plan: Plan = { ...planOf(lines.map(({ refused: _, ...line }) => line)), aim };
    const ids = placedSegments(plan).map((p) => p.segment.id);
    if (circuit) plan = groupSegments(plan, ids, 'circuit');
    const slotSeconds = Math.max(60, Math.round((ms(plan) * slot) / 100_000));
    const refused = new Set(
      lines.flatMap((line, i) => line.refused.map((what) => `s${i + 1} ${what}`)),
    );
    return { plan: { ...plan, slotSeconds }, refused };
  });

describe('a fit of a small class', () => {
  it('finds the cheapest way there is, whenever there is one', () => {
    let compared = 0;
    let fitted = 0;
    fc.assert(
      fc.property(smallCase, ({ plan, refused }) => {
        if (combinations(plan, refused) > MOST_COMBINATIONS) return;
        compared++;
        const best = exhaustive(plan, waysOf(plan, refused));
        const found = fitToSlot(plan, LIBRARY_BOOK, solver, { refused, meter });
        if (best === null) {
          expect(found.kind).toBe('cannot');
          return;
        }
        fitted++;
        expect(found).toMatchObject({ kind: 'fits', cost: best });
        if (found.kind !== 'fits') return;
        const length = ms(found.plan);
        expect(length).toBeLessThanOrEqual(plan.slotSeconds * 1000);
        expect(length).toBeGreaterThanOrEqual(plan.slotSeconds * 1000 - TOLERANCE_MS);
      }),
      { numRuns: Math.min(RUNS, 160), seed: 4 },
    );
    expect(compared).toBeGreaterThanOrEqual(140);
    expect(fitted).toBeGreaterThan(40);
    // Every class is solved several times over; a busy machine takes its time.
  }, 600_000);
});
