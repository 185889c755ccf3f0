import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { groupSegments, type Plan, placedSegments, type Segment } from '@/core/class';
import { dragId, dropped, landed } from './landing';

const four = () =>
  planOf(
    ['tall-o-cheek-lift', 'smile-pulses', 'pucker-hold', 'nostril-flares'].map((move) => ({
      move,
    })),
  );
const shape = (plan: Plan) => plan.phases.work.map((b) => b.segments.map((s) => s.id).join('+'));
const on = (id: string) => dragId.segment(id);

describe('letting something go', () => {
  it('a line lands before one above it and after one below it', () => {
    expect(shape(landed(four(), on('s4'), on('s2')))).toEqual(['s1', 's4', 's2', 's3']);
    expect(shape(landed(four(), on('s1'), on('s3')))).toEqual(['s2', 's3', 's1', 's4']);
  });

  it('on a phase, it comes last in it', () => {
    const plan = landed(four(), on('s1'), dragId.phase('close'));
    expect(plan.phases.close[0]?.segments[0]?.id).toBe('s1');
  });

  it('on a line of a group, it joins the group', () => {
    const plan = groupSegments(four(), ['s1', 's2'], 'circuit');
    expect(shape(landed(plan, on('s4'), on('s2')))).toEqual(['s1+s4+s2', 's3']);
  });

  it('from a group on a line outside, it leaves the group', () => {
    const plan = groupSegments(four(), ['s1', 's2', 's3'], 'circuit');
    expect(shape(landed(plan, on('s2'), on('s4')))).toEqual(['s1+s3', 's2', 's4']);
  });

  it('a group moves as one', () => {
    const plan = groupSegments(four(), ['s1', 's2'], 'circuit');
    const id = dragId.block(plan.phases.work[0]?.id ?? '');
    expect(shape(landed(plan, id, on('s4')))).toEqual(['s3', 's4', 's1+s2']);
  });

  it('on itself or on nothing known, nothing happens', () => {
    expect(landed(four(), on('s1'), on('s1'))).toEqual(four());
    expect(landed(four(), on('s1'), 'elsewhere')).toEqual(four());
  });

  it('a move of the shelf lands where it is let go, in a group too', () => {
    const segment = { ...(placedSegments(four())[0]?.segment as Segment), id: 'new' };
    expect(shape(dropped(four(), segment, on('s3')))).toEqual(['s1', 's2', 'new', 's3', 's4']);
    const plan = groupSegments(four(), ['s1', 's2'], 'circuit');
    expect(shape(dropped(plan, segment, on('s2')))).toEqual(['s1+new+s2', 's3', 's4']);
    expect(shape(dropped(four(), segment, 'elsewhere'))).toEqual(shape(four()));
  });
});
