import { LIBRARY_BOOK } from '@library';
import { anyDose, RUNS } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planSchema, type Segment, type Stage, stagesIn, stagesOver } from '@/core/class';
import { type Dose, doseBeats, doseMs } from '@/core/move';
import { compile } from '.';

/** Stages inside the work: what changes while it is held, and when. */

const stage = (
  words: string,
  length: Stage['length'] = { share: 1 },
  more: Partial<Stage> = {},
) => ({
  words,
  length,
  ...more,
});
const spans = (dose: Dose, stages: Stage[]) =>
  stagesIn(dose, stages).map((s) => [s.stage.words, s.startMs, s.durationMs]);
const scoreOf = (segment: Partial<Segment>) => {
  const plan = planOf([{ move: 'staged-brow-hold', rounds: 1, ...segment }]);
  return compile(planSchema.parse(plan), LIBRARY_BOOK);
};
const anyStages = fc.array(
  fc
    .oneof(
      fc.record({ share: fc.integer({ min: 1, max: 5 }) }),
      fc.record({ seconds: fc.integer({ min: 1, max: 30 }) }),
      fc.record({ counts: fc.integer({ min: 1, max: 20 }) }),
      fc.record({ breaths: fc.integer({ min: 1, max: 3 }) }),
    )
    .map((length) => stage('Now.', length)),
  { minLength: 1, maxLength: 6 },
);

describe('stages', () => {
  it('share a hold, and stand on breaths where it is breathed', () => {
    const four = ['Settle.', 'Press in.', 'Lift.', 'Draw apart.'].map((words) => stage(words));
    expect(spans({ kind: 'hold', seconds: 40 }, four)).toEqual([
      ['Settle.', 0, 10_000],
      ['Press in.', 10_000, 10_000],
      ['Lift.', 20_000, 10_000],
      ['Draw apart.', 30_000, 10_000],
    ]);
    const pattern = { in: 4, hold: 0, out: 6, pause: 0 };
    expect(spans({ kind: 'breaths', breaths: 5, pattern }, four.slice(0, 2))).toEqual([
      ['Settle.', 0, 30_000],
      ['Press in.', 30_000, 20_000],
    ]);
  });

  it('are as long as they say, and the last goes on to the end', () => {
    const dose: Dose = { kind: 'counts', counts: 30, tempo: 60 };
    expect(spans(dose, [stage('A.', { counts: 20 }), stage('B.', { counts: 10 })])).toEqual([
      ['A.', 0, 20_000],
      ['B.', 20_000, 10_000],
    ]);
    expect(spans(dose, [stage('A.', { seconds: 5 }), stage('B.', { seconds: 5 })])).toEqual([
      ['A.', 0, 5000],
      ['B.', 5000, 25_000],
    ]);
  });

  it('are told to be too long for the work', () => {
    const stages = [stage('A.', { seconds: 20 }), stage('B.', { seconds: 15 })];
    expect(stagesOver({ kind: 'hold', seconds: 30 }, stages)).toBe(5000);
    expect(stagesOver({ kind: 'hold', seconds: 35 }, stages)).toBe(0);
    expect(stagesOver({ kind: 'hold', seconds: 35 }, [...stages, stage('No time left.')])).toBe(
      1000,
    );
  });

  it('tile the work, each on a beat, in any case', () => {
    fc.assert(
      fc.property(anyDose, anyStages, (dose, stages) => {
        const found = stagesIn(dose, stages);
        const { beatMs } = doseBeats(dose);
        expect(found[0]?.startMs).toBe(0);
        let at = 0;
        for (const { startMs, durationMs } of found) {
          expect(startMs).toBe(at);
          expect(durationMs).toBeGreaterThan(0);
          const beats = startMs / beatMs;
          expect(Math.abs(beats - Math.round(beats)) * beatMs).toBeLessThanOrEqual(1);
          at += durationMs;
        }
        expect(at).toBe(doseMs(dose));
      }),
      { numRuns: RUNS },
    );
  });

  it('are said as they begin, and the last ten seconds may be counted', () => {
    const stages = [
      stage('Settle.'),
      stage('Press in.'),
      stage('Lift.'),
      stage('Try to frown.', { seconds: 10 }, { counting: 'down' }),
    ];
    const score = scoreOf({ dose: { kind: 'hold', seconds: 40 }, stages, counting: 'none' });
    const work = score.cues.filter((c) => score.steps[c.step]?.kind === 'work');
    const told = work.filter((c) => c.kind === 'stage').map((c) => [c.text, c.offsetMs]);
    expect(told).toEqual([
      ['Settle.', 0],
      ['Press in.', 10_000],
      ['Lift.', 20_000],
      ['Try to frown.', 30_000],
    ]);
    const counts = work.filter((c) => c.kind === 'count');
    expect(counts.at(-1)).toMatchObject({ text: 'one', offsetMs: 39_000, fromEnd: true });
    expect(counts.every((c) => c.offsetMs > 30_000)).toBe(true);
    expect(counts.length).toBeGreaterThanOrEqual(8);
    expect(score.steps.find((s) => s.kind === 'work')?.stages).toHaveLength(4);
  });

  it('have each its own count: twenty, and then ten more', () => {
    const stages = [stage('Lift.', { counts: 20 }), stage('Ten more.', { counts: 10 })];
    const score = scoreOf({
      dose: { kind: 'counts', counts: 30, tempo: 60 },
      stages,
      counting: 'up',
    });
    const numbers = score.cues.filter((c) => c.kind === 'count').map((c) => c.text);
    expect(numbers.filter((n) => n === 'ten')).toHaveLength(2);
    expect(numbers).toContain('twenty');
    expect(numbers).not.toContain('twenty-one');
  });

  it('give way to nothing, and a count that would be said meanwhile is not missed', () => {
    const stages = [stage('Now press in, very gently, and draw a little apart.', { counts: 5 })];
    const score = scoreOf({
      dose: { kind: 'counts', counts: 5, tempo: 60 },
      stages,
      counting: 'up',
    });
    expect(score.leftOut).toEqual([]);
    expect(score.cues.filter((c) => c.kind === 'count').length).toBeLessThan(5);
  });

  it('are not cut while a class is led', () => {
    const dose: Dose = { kind: 'hold', seconds: 40 };
    const plain = scoreOf({ dose }).steps.find((s) => s.kind === 'work');
    const staged = scoreOf({ dose, stages: [stage('A.')] }).steps.find((s) => s.kind === 'work');
    expect([plain?.leastMs !== undefined, staged?.leastMs]).toEqual([true, undefined]);
  });

  it.each([
    [{ words: 'A.', length: { share: 0 } }, /more than 0/],
    [{ words: '', length: { share: 1 } }, /empty/],
    [{ words: 'A.', length: { seconds: 5, counts: 2 } }, /one of/],
  ])('refuse %j', (wrong, message) => {
    const plan = planOf([{ move: 'staged-brow-hold' }]);
    const bad = JSON.parse(JSON.stringify(plan));
    bad.phases.work[0].segments[0].stages = [wrong];
    expect(planSchema.safeParse(bad).error?.issues[0]?.message).toMatch(message);
  });
});
