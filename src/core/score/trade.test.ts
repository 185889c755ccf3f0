import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { doseMs } from '@/core/move';
import { compile } from '.';

/** Check values of the trade. All are common practice; none has a published source. */

const MINUTE = 60_000;
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

describe('minutes as they come out in a room (common practice)', () => {
  it('3 exercises x 3 rounds x 30 s are 270 s of work and 9 to 11 min on the clock', () => {
    const score = compile(
      planOf(
        ['tall-o-cheek-lift', 'full-cheeks-hold', 'braced-brow-slow-blink'].map((move) => ({
          move,
          dose: hold(30),
          rounds: 3,
          releaseSeconds: 15,
          restSeconds: 5,
        })),
      ),
      LIBRARY_BOOK,
    );
    expect(score.totals.workMs).toBe(270_000);
    expect(score.totalMs).toBeGreaterThanOrEqual(9 * MINUTE);
    expect(score.totalMs).toBeLessThanOrEqual(11 * MINUTE);
  });

  it('12 massage steps of 20 s, named and counted in, explained while they run: about 5 min 10 s', () => {
    const massages = [
      'jaw-muscle-circles',
      'lip-line-pinches',
      'nose-side-strokes',
      'under-eye-ring-finger-sweep',
      'forehead-finger-sweeps',
      'ear-squeeze-and-circles',
      'closing-face-drain',
      'between-brows-point',
      'under-cheekbone-points',
      'hair-root-circles',
      'lip-line-pinches',
      'ear-squeeze-and-circles',
    ];
    const score = compile(
      planOf(
        massages.map((move) => ({
          move,
          dose: hold(20),
          sides: 'together',
          rounds: 1,
          releaseSeconds: 0,
        })),
        { explain: 'throughout', wordsPerMinute: 160 },
      ),
      LIBRARY_BOOK,
    );
    expect(score.totals.workMs).toBe(240_000);
    const leadIn = score.totals.upbeatMs / 12;
    expect(leadIn).toBeGreaterThanOrEqual(5000);
    expect(leadIn).toBeLessThanOrEqual(6500);
    expect(Math.abs(score.totalMs - 310_000)).toBeLessThanOrEqual(10_000);
  });

  it('2 sets x 10 s brow hold and three 3 s tongue holds, explained once: 2 to 2.5 min', () => {
    const score = compile(
      planOf([
        { move: 'hairline-press-look-down', dose: hold(10), rounds: 2, releaseSeconds: 10 },
        { move: 'level-smile-tongue-corners', dose: hold(3), rounds: 3, sides: 'together' },
      ]),
      LIBRARY_BOOK,
    );
    expect(score.totalMs).toBeGreaterThanOrEqual(2 * MINUTE);
    expect(score.totalMs).toBeLessThanOrEqual(2.5 * MINUTE);
  });

  it('5 moves of about 60 s with a sentence or two between: 6.5 to 7.5 min', () => {
    const score = compile(
      planOf(
        [
          'tall-o-cheek-lift',
          'jaw-muscle-circles',
          'forehead-finger-sweeps',
          'smile-pulses',
          'ear-squeeze-and-circles',
        ].map((move) => ({
          move,
          dose: hold(60),
          rounds: 1,
          sides: 'together',
          releaseSeconds: 5,
        })),
      ),
      LIBRARY_BOOK,
    );
    expect(score.totals.workMs).toBe(300_000);
    expect(score.totalMs).toBeGreaterThanOrEqual(6.5 * MINUTE);
    expect(score.totalMs).toBeLessThanOrEqual(7.5 * MINUTE);
  });

  it('three rounds of a staged brow hold, a breath a stage: 85 to 115 s a round', () => {
    const breaths = {
      kind: 'breaths',
      breaths: 6,
      pattern: { in: 4, hold: 0, out: 6, pause: 0 },
    } as const;
    const staged = { move: 'staged-brow-hold', dose: breaths, rounds: 3, releaseSeconds: 15 };
    const score = compile(planOf([{ ...staged, restSeconds: 5 }]), LIBRARY_BOOK);
    const lengths = [1, 2, 3].map((round) =>
      score.steps.filter((s) => s.round === round).reduce((sum, s) => sum + s.durationMs, 0),
    );
    expect(Math.min(...lengths)).toBeGreaterThanOrEqual(85_000);
    expect(Math.max(...lengths)).toBeLessThanOrEqual(115_000);
  });

  it('20 tongue taps at one a second on each side: 40 s of work and one switch', () => {
    const score = compile(planOf([{ move: 'tongue-taps-to-palate' }]), LIBRARY_BOOK);
    expect(score.totals.workMs).toBe(40_000);
    expect(score.steps.filter((s) => s.kind === 'switch')).toHaveLength(1);
  });

  it('five exercises of 35, 35, 35, 35 and 30 s back to back: 170 s of work, about 3 min', () => {
    const moves = [
      'tall-o-cheek-lift',
      'full-cheeks-hold',
      'folded-lip-press',
      'smile-pulses',
      'nostril-flares',
    ];
    const score = compile(
      planOf(
        moves.map((move, i) => ({
          move,
          dose: hold(i < 4 ? 35 : 30),
          rounds: 1,
          releaseSeconds: 0,
        })),
        { explain: 'names-only', countIn: false },
      ),
      LIBRARY_BOOK,
    );
    expect(score.totals.workMs).toBe(170_000);
    expect(Math.abs(score.totalMs - 3 * MINUTE)).toBeLessThanOrEqual(15_000);
  });

  it('a three-move circuit done three times is 9 work parts, the same work as in straight sets', () => {
    const moves = ['tall-o-cheek-lift', 'folded-lip-press', 'smile-pulses'];
    const straight = planOf(moves.map((move) => ({ move, rounds: 3 })));
    const segments = planOf(moves.map((move) => ({ move, rounds: 1 }))).phases.work.flatMap(
      (b) => b.segments,
    );
    const circuit = {
      ...straight,
      phases: {
        ...straight.phases,
        work: [{ id: 'c', order: 'circuit' as const, laps: 3, segments }],
      },
    };
    const a = compile(straight, LIBRARY_BOOK);
    const b = compile(circuit, LIBRARY_BOOK);
    expect(b.steps.filter((s) => s.kind === 'work')).toHaveLength(9);
    expect(b.totals.workMs).toBe(a.totals.workMs);
    const order = (score: typeof a) => score.steps.map((s) => s.moveId).join();
    expect(order(b)).not.toBe(order(a));
  });
});

describe('a count has a tempo (common practice)', () => {
  it.each([
    [60, 30_000],
    [33, 54_545],
    [28, 64_286],
  ])('30 counts at tempo %i last %i ms', (tempo, ms) => {
    expect(doseMs({ kind: 'counts', counts: 30, tempo })).toBe(ms);
  });
});
