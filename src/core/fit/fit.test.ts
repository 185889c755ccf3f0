import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Checked, raises } from '@/core/checks';
import {
  differences,
  groupSegments,
  PHASES,
  type Plan,
  placedSegments,
  planSchema,
  removeSegment,
  type Segment,
  updateBlock,
  updateSegment,
} from '@/core/class';
import { type CarriedCaution, doseMs } from '@/core/move';
import { compile, lengthOf } from '@/core/score';
import { anyPlan, RUNS } from '@/core/testing/arbitrary';
import { planOf } from '@/core/testing/plans';
import { smallPlan } from '@/core/testing/runs';
import { solver } from '@/core/testing/solver';
import { choicesOf, currentWork, fitToSlot, TOLERANCE_MS } from '.';

const ms = (plan: Plan) => lengthOf(plan, LIBRARY_BOOK);
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

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
  return choicesOf(plan, libraryMove, { refused }).flatMap(({ block, laps, segments }) => {
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
  });
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
  const [was, is] = [currentWork(before, libraryMove), currentWork(after, libraryMove)];
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
  choicesOf(plan, libraryMove, { refused }).reduce(
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
  const walk = (i: number, length: number, cost: number, taken: Option[]): void => {
    if (cost >= best) return;
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

describe('fitting a class to its slot', () => {
  it('finds the cheapest way there is, whenever there is one', () => {
    let compared = 0;
    let fitted = 0;
    fc.assert(
      fc.property(smallCase, ({ plan, refused }) => {
        if (combinations(plan, refused) > MOST_COMBINATIONS) return;
        compared++;
        const best = exhaustive(plan, waysOf(plan, refused));
        const found = fitToSlot(plan, LIBRARY_BOOK, solver, { refused });
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
      { numRuns: Math.min(RUNS, 420), seed: 4 },
    );
    expect(compared).toBeGreaterThanOrEqual(140);
    expect(fitted).toBeGreaterThan(40);
    // Every class is solved several times over; a busy machine takes its time.
  }, 600_000);

  it('never breaks a lock, a floor, a ceiling or a refusal, in classes of any make', () => {
    fc.assert(
      fc.property(anyPlan, fc.integer({ min: 60, max: 130 }), fc.nat(), (made, percent, pick) => {
        const ids = placedSegments(made).map((p) => p.segment.id);
        const locked = ids[pick % Math.max(1, ids.length)] ?? '';
        const slotSeconds = Math.min(14_400, Math.max(60, Math.round((ms(made) * percent) / 1e5)));
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
      }),
      { numRuns: 60 },
    );
  });

  const choir = () =>
    planOf([
      { move: 'slow-belly-breaths' },
      { move: 'shoulder-rolls-both-ways' },
      { move: 'tall-o-cheek-lift' },
      { move: 'soft-jaw-drop' },
      { move: 'closing-face-drain' },
    ]);

  it('leaves a class alone that already fits', () => {
    const plan = choir();
    const slotSeconds = Math.ceil(ms(plan) / 1000);
    const found = fitToSlot({ ...plan, slotSeconds }, LIBRARY_BOOK, solver);
    expect(found).toMatchObject({ kind: 'fits', cost: 0 });
  });

  it('says which limits collide, and how near the class can come', () => {
    const locked = placedSegments(choir()).reduce(
      (p, { segment }) => updateSegment(p, segment.id, (s) => ({ ...s, locked: true })),
      choir(),
    );
    const plan = { ...locked, slotSeconds: Math.round(ms(locked) / 1000) - 60 };
    expect(fitToSlot(plan, LIBRARY_BOOK, solver)).toEqual({
      kind: 'cannot',
      nearest: plan,
      nearestMs: ms(plan),
      collide: ['locks'],
      together: false,
    });
  });

  it('names floors where everything is as short as it may be', () => {
    const long = planOf(
      Array.from({ length: 8 }, () => ({
        move: 'smile-pulses',
        dose: hold(10),
        rounds: 1,
        releaseSeconds: 0,
      })),
    );
    const tight = { ...long, slotSeconds: Math.round(ms(long) / 1000) - 9 };
    expect(fitToSlot(tight, LIBRARY_BOOK, solver)).toMatchObject({
      kind: 'cannot',
      collide: ['floors'],
    });
  });

  it('a refused edit is left out of the next answer', () => {
    const plan = { ...choir(), slotSeconds: Math.round(ms(choir()) / 1000) - 30 };
    const first = fitToSlot(plan, LIBRARY_BOOK, solver);
    if (first.kind !== 'fits') throw new Error('the class should fit');
    const edits = differences(plan, first.plan);
    const refused = new Set(edits.map((d) => `${d.segmentId} ${d.what}`));
    const second = fitToSlot(plan, LIBRARY_BOOK, solver, { refused });
    if (second.kind !== 'fits') throw new Error('the class should fit in another way');
    for (const d of differences(plan, second.plan)) {
      expect(refused.has(`${d.segmentId} ${d.what}`)).toBe(false);
    }
    expect(second.cost).toBeGreaterThanOrEqual(first.cost);
  });

  it('takes the laps of a circuit along', () => {
    const plan = groupSegments(choir(), ['s3', 's4'], 'circuit');
    const slotSeconds = Math.round(ms(plan) / 1000) + 40;
    const found = fitToSlot({ ...plan, slotSeconds }, LIBRARY_BOOK, solver);
    expect(found.kind).toBe('fits');
  });

  it('an empty class cannot be fitted: the slot itself stands in the way', () => {
    const empty = { ...planOf([]), slotSeconds: 600 };
    expect(fitToSlot(empty, LIBRARY_BOOK, solver)).toMatchObject({
      kind: 'cannot',
      collide: ['slot'],
    });
    expect(PHASES.every((p) => empty.phases[p].length === 0)).toBe(true);
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
          const checked: Checked = {
            plan,
            score: compile(plan, LIBRARY_BOOK),
            book: LIBRARY_BOOK,
            shelf: [],
            people,
            sessionsAWeek: 1,
            compile: (p) => compile(p, LIBRARY_BOOK),
          };
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

  it('leaves as it is what would keep the head back too long', () => {
    const tilted = planOf([
      { move: 'tongue-to-ceiling', rounds: 1, dose: { kind: 'reps', reps: 13, secondsEach: 3 } },
      { move: 'pucker-hold', rounds: 1 },
    ]);
    const plan = { ...tilted, slotSeconds: Math.round(ms(tilted) / 1000) + 20 };
    const free = fitToSlot(plan, LIBRARY_BOOK, solver);
    const guarded = fitToSlot(plan, LIBRARY_BOOK, solver, { unsafe: () => ['s1'] });
    const doseOf = (f: typeof free) =>
      placedSegments(f.kind === 'fits' ? f.plan : f.nearest)[0]?.segment.dose;
    expect(doseOf(guarded)).toEqual(placedSegments(plan)[0]?.segment.dose);
    expect(guarded.kind === 'cannot' && guarded.collide.includes('safety')).toBe(
      free.kind === 'fits' && guarded.kind === 'cannot',
    );
  });
});
