import { LIBRARY_BOOK } from '@library';
import { describe, expect, it } from 'vitest';
import { placedSegments } from '@/core/class';
import { compile } from '@/core/score';
import { eventId, planOf } from '@/core/testing/plans';
import { minutesOf, type RunEventDraft, spent, totalOf, withLengthsOf } from '.';

const T0 = 1_790_000_000_000;
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
    ([offset, bend], i) => ({ id: eventId(i), at: T0 + offset, ...bend }) as RunEventDraft,
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
