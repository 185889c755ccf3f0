import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placedSegments } from '@/core/class';
import { compile } from '@/core/score';
import { minutesOf, type NewRunEvent, spent, totalOf, withLengthsOf } from '.';

const plan = planOf([
  { move: 'tall-o-cheek-lift', rounds: 2 },
  { move: 'soft-jaw-drop', rounds: 1 },
]);
const score = compile(plan, LIBRARY_BOOK);
const work = score.steps.find((s) => s.kind === 'work' && s.segmentId === 's1');
const into = (work?.startMs ?? 0) + 1000;
const led = (...bends: [offset: number, bend: object][]) => {
  const all = [[0, { type: 'started' }] as const, ...bends];
  const events = all.map(
    ([offset, bend], i) => ({ id: eventId(i), at: T0 + offset, ...bend }) as NewRunEvent,
  );
  return spent(score, events, T0 + 10 ** 8);
};

describe('where the minutes went', () => {
  it('is as planned where nothing was bent', () => {
    for (const row of minutesOf(score, led())) expect(row.actual).toEqual(row.planned);
  });

  it('tells longer work from time that stood still', () => {
    const parts = led(
      [into, { type: 'extended', ms: 10_000 }],
      [into, { type: 'paused' }],
      [into + 7000, { type: 'resumed' }],
    );
    const [row] = minutesOf(score, parts);
    expect(row && totalOf(row.actual) - totalOf(row.planned)).toBe(17_000);
    expect(row && row.actual.workMs - row.planned.workMs).toBe(10_000);
    expect(row?.actual.stoodMs).toBe(7000);
  });
});

describe('the lengths of a class that was led', () => {
  const segmentOf = (lengths: ReturnType<typeof withLengthsOf>, id: string) =>
    placedSegments(lengths.plan).find((p) => p.segment.id === id)?.segment;

  it('are what they were where nothing was bent', () => {
    expect(withLengthsOf(plan, led())).toEqual({ plan, lines: [] });
  });

  it('are what they were in any class that was led undisturbed', () => {
    fc.assert(
      fc.property(smallPlan(80), (any) => {
        const made = compile(any, LIBRARY_BOOK);
        const events = [{ id: eventId(0), at: T0, type: 'started' } as const];
        const parts = spent(made, events, T0 + made.totalMs + 1000);
        expect(withLengthsOf(any, parts)).toEqual({ plan: any, lines: [] });
      }),
      { numRuns: Math.min(RUNS, 400) },
    );
  });

  it('stay even where left and right take turns, and leave a hold of half seconds alone', () => {
    const turns = planOf([
      { move: 'gaze-side-to-side', rounds: 1, dose: { kind: 'reps', reps: 6, secondsEach: 4 } },
      { move: 'pucker-hold', rounds: 1, dose: { kind: 'hold', seconds: 10.5 } },
    ]);
    const made = compile(turns, LIBRARY_BOOK);
    const start = made.steps.find((s) => s.kind === 'work')?.startMs ?? 0;
    const events = [
      { id: eventId(0), at: T0, type: 'started' },
      { id: eventId(1), at: T0 + start + 100, type: 'extended', ms: 10_000 },
    ] as NewRunEvent[];
    const { plan: kept } = withLengthsOf(turns, spent(made, events, T0 + 10 ** 7));
    const doses = placedSegments(kept).map((p) => p.segment.dose);
    expect(doses).toEqual([
      { kind: 'reps', reps: 8, secondsEach: 4 },
      { kind: 'hold', seconds: 10.5 },
    ]);
  });

  it('have the rounds, the work and the pauses as they were played', () => {
    const longer = led(
      [into, { type: 'extended', ms: 10_000 }],
      [into, { type: 'restChanged', ms: 5000 }],
      [into, { type: 'roundAdded' }],
    );
    const lengths = withLengthsOf(plan, longer);
    expect(segmentOf(lengths, 's1')?.rounds).toBe(3);
    expect(lengths.lines[0]?.words).toContain('3 rounds instead of 2');
  });

  it('leave alone what was skipped before it was played out', () => {
    const skipped = led([into, { type: 'skipped' }]);
    const lengths = withLengthsOf(plan, skipped);
    expect(segmentOf(lengths, 's1')).toEqual(segmentOf({ plan, lines: [] }, 's1'));
  });
});
