import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addSegment,
  changeRules,
  differences,
  groupSegments,
  mergePlans,
  moveBlock,
  type Plan,
  placedSegments,
  planSchema,
  removeSegment,
  type Segment,
  updateSegment,
} from '.';

const base = () =>
  planOf([{ move: 'tall-o-cheek-lift' }, { move: 'smile-pulses' }, { move: 'nostril-flares' }]);
const ids = (plan: Plan) => placedSegments(plan).map((p) => p.segment.id);
const with_ = (plan: Plan, id: string, part: Partial<Segment>) =>
  updateSegment(plan, id, (s) => ({ ...s, ...part }));
const segment = (plan: Plan, id: string) =>
  placedSegments(plan).find((p) => p.segment.id === id)?.segment;
const add = (plan: Plan, id: string, move: string) =>
  addSegment(plan, { ...(segment(base(), 's1') as Segment), id, move }, 'work');

describe('joining two classes that grew from one', () => {
  it('takes what each side changed', () => {
    const mine = with_(base(), 's1', { rounds: 2 });
    const theirs = changeRules(with_(base(), 's1', { restSeconds: 9 }), { counting: 'up' });
    const { plan, collisions } = mergePlans(base(), mine, theirs);
    expect(segment(plan, 's1')).toMatchObject({ rounds: 2, restSeconds: 9 });
    expect(plan.rules.counting).toBe('up');
    expect(collisions).toEqual([]);
  });

  it('names what both changed differently, and keeps mine', () => {
    const mine = { ...with_(base(), 's1', { rounds: 2 }), name: 'Mine' };
    const theirs = { ...with_(base(), 's1', { rounds: 1 }), name: 'Theirs' };
    const { plan, collisions } = mergePlans(base(), mine, theirs);
    expect(segment(plan, 's1')?.rounds).toBe(2);
    expect(plan.name).toBe('Mine');
    expect(collisions).toEqual(['name', 'the segment “tall-o-cheek-lift”']);
  });

  it('does not take the same change for two, however its fields stand', () => {
    const mine = with_(base(), 's1', { variant: 'easier', release: 'none' });
    const theirs = with_(base(), 's1', { release: 'none', variant: 'easier', cues: undefined });
    expect(mergePlans(base(), mine, theirs)).toMatchObject({ collisions: [] });
    const untouched = with_(base(), 's1', { cues: undefined });
    expect(segment(mergePlans(base(), untouched, mine).plan, 's1')?.variant).toBe('easier');
  });

  it('keeps what both added, also under the same id', () => {
    const mine = add(base(), 's4', 'pucker-hold');
    const theirs = add(base(), 's4', 'folded-lip-press');
    const { plan } = mergePlans(base(), mine, theirs);
    expect(
      placedSegments(plan)
        .map((p) => p.segment.move)
        .toSorted(),
    ).toEqual([
      'folded-lip-press',
      'nostril-flares',
      'pucker-hold',
      'smile-pulses',
      'tall-o-cheek-lift',
    ]);
    expect(new Set(ids(plan)).size).toBe(5);
  });

  it('takes out what one side took out, unless the other changed it since', () => {
    const gone = removeSegment(base(), 's2');
    expect(ids(mergePlans(base(), gone, base()).plan)).toEqual(['s1', 's3']);
    expect(ids(mergePlans(base(), base(), gone).plan)).toEqual(['s1', 's3']);
    const changed = with_(base(), 's2', { rounds: 1 });
    expect(ids(mergePlans(base(), changed, gone).plan)).toContain('s2');
    expect(ids(mergePlans(base(), gone, changed).plan)).toContain('s2');
  });

  it('keeps the order and groups of the side that arranged them', () => {
    const theirs = groupSegments(base(), ['s1', 's3'], 'circuit');
    const mine = with_(base(), 's2', { rounds: 1 });
    const { plan } = mergePlans(base(), mine, theirs);
    expect(plan.phases.work[0]?.order).toBe('circuit');
    expect(segment(plan, 's2')?.rounds).toBe(1);
  });

  it('is the other side where one did nothing, and always a valid class with nothing lost', () => {
    fc.assert(
      fc.property(anyPlan, fc.array(fc.nat(), { maxLength: 6 }), (plan, picks) => {
        const change = (from: Plan, own: number[]) =>
          own.reduce((p, n) => {
            const all = ids(p);
            const id = all[n % Math.max(1, all.length)];
            if (!id) return add(p, `n${n}`, 'smile-pulses');
            if (n % 4 === 0) return with_(p, id, { rounds: 1 + (n % 5) });
            if (n % 4 === 1) return groupSegments(p, all.slice(0, 2), 'circuit');
            if (n % 4 === 2) {
              const block = placedSegments(p).find((x) => x.segment.id === id)?.block.id ?? '';
              return moveBlock(p, block, { phase: 'close', index: 0 });
            }
            return all.includes(`n${n}`) ? p : add(p, `n${n}`, 'pucker-hold');
          }, from);
        const half = Math.floor(picks.length / 2);
        const mine = change(plan, picks.slice(0, half));
        const theirs = change(plan, picks.slice(half));
        const { plan: joined } = mergePlans(plan, mine, theirs);
        const parsed = planSchema.safeParse(joined);
        expect(parsed.success ? [] : parsed.error.issues).toEqual([]);
        const added = (side: Plan) =>
          placedSegments(side).filter((p) => !ids(plan).includes(p.segment.id)).length;
        const moves = placedSegments(joined).map((p) => p.segment.move);
        for (const side of [mine, theirs]) {
          for (const { segment: s } of placedSegments(side)) expect(moves).toContain(s.move);
        }
        expect(joined.name).toBe(plan.name);
        expect(placedSegments(joined).length).toBeGreaterThanOrEqual(
          Math.max(added(mine), added(theirs)),
        );
        expect(mergePlans(plan, plan, theirs).plan).toEqual(theirs);
        expect(mergePlans(plan, mine, plan).plan).toEqual(mine);
      }),
      { numRuns: 300 },
    );
  });
});

describe('what differs', () => {
  it('is told field by field, with before and after', () => {
    const after = with_(base(), 's2', { dose: { kind: 'hold', seconds: 25 }, restSeconds: 4 });
    expect(differences(base(), after)).toEqual([
      {
        segmentId: 's2',
        moveId: 'smile-pulses',
        what: 'dose',
        before: '20 × 1 s',
        after: '25 s hold',
      },
      { segmentId: 's2', moveId: 'smile-pulses', what: 'rest', before: '0 s', after: '4 s' },
    ]);
  });

  it('names the fewest segments that can have moved', () => {
    const after = moveBlock(base(), 'block-s1', { phase: 'work', index: 2 });
    expect(differences(base(), after).map((d) => [d.segmentId, d.what])).toEqual([['s1', 'place']]);
  });

  it('knows what was added, taken out, grouped and ruled', () => {
    const after = changeRules(
      groupSegments(add(removeSegment(base(), 's2'), 's9', 'pucker-hold'), ['s1', 's3'], 'circuit'),
      { counting: 'none' },
    );
    expect(differences(base(), after).map((d) => d.what)).toEqual([
      'house rule counting',
      'segment',
      'rounds',
      'done as',
      'laps',
      'rounds',
      'segment',
    ]);
  });

  it('is nothing between a class and itself', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        expect(differences(plan, structuredClone(plan))).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });
});
