import { libraryMove } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arrangeBlock,
  blocksOf,
  changeRound,
  duplicateSegments,
  freeSegmentIds,
  groupSegments,
  type Plan,
  pasteSegments,
  placedSegments,
  planSchema,
  putIntoBlock,
  removeSegments,
  segmentOf,
  shiftBlocks,
  takeOut,
  ungroup,
} from '.';

const five = () =>
  planOf(
    ['tall-o-cheek-lift', 'smile-pulses', 'folded-lip-press', 'pucker-hold', 'nostril-flares'].map(
      (move) => ({ move }),
    ),
  );
const ids = (plan: Plan) => placedSegments(plan).map((p) => p.segment.id);
const shape = (plan: Plan) => plan.phases.work.map((b) => b.segments.map((s) => s.id).join('+'));
const segment = (plan: Plan, id: string) => {
  const found = placedSegments(plan).find((p) => p.segment.id === id)?.segment;
  if (!found) throw new Error(`no ${id}`);
  return found;
};

describe('grouping', () => {
  it('stands where its first segment stood, in running order, and rounds become laps', () => {
    const plan = groupSegments(five(), ['s4', 's2'], 'circuit');
    expect(shape(plan)).toEqual(['s1', 's2+s4', 's3', 's5']);
    const group = plan.phases.work[1];
    expect(group).toMatchObject({ order: 'circuit', laps: 3 });
    expect(group?.segments.map((s) => s.rounds)).toEqual([1, 1]);
  });

  it('in turn keeps the rounds', () => {
    const plan = groupSegments(five(), ['s1', 's2'], 'alternating');
    expect(plan.phases.work[0]).toMatchObject({ order: 'alternating', laps: 1 });
    expect(segment(plan, 's1').rounds).toBe(3);
  });

  it('needs two, and takes segments out of another group', () => {
    expect(groupSegments(five(), ['s1'], 'circuit')).toEqual(five());
    const first = groupSegments(five(), ['s1', 's2', 's3'], 'circuit');
    const second = groupSegments(first, ['s2', 's5'], 'alternating');
    expect(shape(second)).toEqual(['s2+s5', 's1+s3', 's4']);
  });

  it('comes apart again, laps becoming rounds', () => {
    const plan = groupSegments(five(), ['s1', 's2'], 'circuit');
    const apart = ungroup(plan, plan.phases.work[0]?.id ?? '');
    expect(shape(apart)).toEqual(['s1', 's2', 's3', 's4', 's5']);
    expect(segment(apart, 's1').rounds).toBe(3);
  });

  it('loses its laps where it is no circuit any more', () => {
    const plan = groupSegments(five(), ['s1', 's2'], 'circuit');
    const id = plan.phases.work[0]?.id ?? '';
    const straight = arrangeBlock(plan, id, { order: 'straight' });
    expect(straight.phases.work[0]).toMatchObject({ order: 'straight', laps: 1 });
    expect(planSchema.safeParse(straight).success).toBe(true);
  });
});

describe('moving', () => {
  it('into a group, within it and out of it', () => {
    const plan = groupSegments(five(), ['s1', 's2'], 'circuit');
    const group = plan.phases.work[0]?.id ?? '';
    const into = putIntoBlock(plan, 's4', group, 1);
    expect(shape(into)).toEqual(['s1+s4+s2', 's3', 's5']);
    expect(shape(putIntoBlock(into, 's2', group, 0))).toEqual(['s2+s1+s4', 's3', 's5']);
    const out = takeOut(into, 's4', { phase: 'work', index: 3 });
    expect(shape(out)).toEqual(['s1+s2', 's3', 's5', 's4']);
  });

  it('several together, and not past the end', () => {
    const down = shiftBlocks(five(), ['s1', 's2'], 1);
    expect(shape(down)).toEqual(['s3', 's1', 's2', 's4', 's5']);
    const arrive = shiftBlocks(
      planOf([{ move: 'slow-belly-breaths' }, { move: 'smile-pulses' }]),
      ['s1', 's2'],
      -1,
    );
    expect(placedSegments(arrive).map((p) => p.phase)).toEqual(['arrive', 'work']);
  });
});

describe('copies', () => {
  it('come right after the last of what they copy, under ids of their own', () => {
    const plan = duplicateSegments(five(), ['s1', 's3']);
    expect(shape(plan)).toEqual(['s1', 's2', 's3', 's6', 's7', 's4', 's5']);
    expect(segment(plan, 's7').move).toBe('folded-lip-press');
  });

  it('go to the phase they came from where nothing is selected', () => {
    const from = placedSegments(planOf([{ move: 'shoulder-rolls-both-ways' }]));
    const pasted = pasteSegments(
      five(),
      from.map(({ phase, segment: s }) => ({ phase, segment: s })),
    );
    expect(pasted.phases.warmUp[0]?.segments[0]).toMatchObject({ id: 's6' });
  });

  it('never get an id that is taken', () => {
    const plan = removeSegments(five(), ['s2']);
    expect(freeSegmentIds(plan, 2)).toEqual(['s6', 's7']);
    expect(new Set([...ids(plan), ...freeSegmentIds(plan, 9)]).size).toBe(13);
  });
});

describe('rounds of their own', () => {
  const move = libraryMove('smile-pulses');
  if (!move) throw new Error('the library lost smile-pulses');
  it('change one round and leave the others', () => {
    const changed = changeRound(segmentOf(move, 'a'), 2, { variant: 'easier' });
    expect(changed.byRound).toEqual([{}, { variant: 'easier' }]);
    expect(changeRound(changed, 2, {}).byRound).toBeUndefined();
  });
});

/** Every edit that the screen offers, on whatever class. */
const EDITS: Record<string, (plan: Plan, some: string[], pick: number) => Plan> = {
  circuit: (p, some) => groupSegments(p, some, 'circuit'),
  alternating: (p, some) => groupSegments(p, some, 'alternating'),
  ungroup: (p, _, pick) =>
    ungroup(p, blocksOf(p)[pick % Math.max(1, blocksOf(p).length)]?.id ?? ''),
  up: (p, some) => shiftBlocks(p, some, -1),
  down: (p, some) => shiftBlocks(p, some, 1),
  out: (p, some, pick) => takeOut(p, some[0] ?? '', { phase: 'close', index: pick % 2 }),
};

it('no edit loses or doubles a segment or makes the class invalid', () => {
  fc.assert(
    fc.property(
      anyPlan,
      fc.constantFrom(...Object.keys(EDITS)),
      fc.array(fc.nat(), { maxLength: 4 }),
      (plan, name, picks) => {
        const all = ids(plan);
        const some = [...new Set(picks.map((n) => all[n % Math.max(1, all.length)] ?? ''))];
        const before = structuredClone(plan);
        const after = EDITS[name]?.(plan, some, picks[0] ?? 0) ?? plan;
        expect(plan).toEqual(before);
        expect([...ids(after)].sort()).toEqual([...all].sort());
        const parsed = planSchema.safeParse(after);
        expect(parsed.success ? [] : parsed.error.issues).toEqual([]);
      },
    ),
    { numRuns: 400 },
  );
});
