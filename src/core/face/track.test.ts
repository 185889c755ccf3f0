import { LIBRARY, LIBRARY_BOOK } from '@library';
import { libraryTrack } from '@library/tracks';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { segmentOf } from '../class';
import { UNITS, unitIndex } from '../move';
import { compile, type Score, type Step } from '../score';
import { type Act, actsOfScore, amount, mirrored, type Pose, poseAt, STILL, trackOf } from '.';

const LIDS = new Set([unitIndex('43L'), unitIndex('43R')]);
const library = (id: string, variant?: Step['variant']) => libraryTrack(id, variant) ?? null;
const scoreOf = (...lines: Parameters<typeof planOf>[0]): Score =>
  compile(planOf(lines, {}, 3600), LIBRARY_BOOK);

/** The greatest change of a unit from one moment to another; blinks are not looked at. */
function jump(a: Pose, b: Pose): [much: number, unit: string] {
  let [most, unit] = [0, ''];
  for (const [i, from] of a.units.entries()) {
    if (LIDS.has(i)) continue;
    const much = Math.abs((b.units[i] ?? 0) - from);
    if (much > most) [most, unit] = [much, UNITS[i] ?? ''];
  }
  return [most, unit];
}

/** All jumps over what is allowed in 50 ms. */
function jumps(acts: readonly Act[], steps: readonly Step[], allowed = 0.15): string[] {
  const found: string[] = [];
  let last: Pose | null = null;
  for (const [i, step] of steps.entries()) {
    for (let ms = 0; ms < step.durationMs; ms += 50) {
      const pose = poseAt(acts, i, ms);
      const [much, unit] = last ? jump(last, pose) : [0, ''];
      if (much > allowed) found.push(`${step.id} at ${ms} ms: ${unit} by ${much.toFixed(2)}`);
      last = pose;
    }
  }
  return found;
}

describe('a face in a class', () => {
  it('never jumps, with any move of the library as it is suggested', () => {
    for (const move of LIBRARY) {
      const { id: _, ...line } = segmentOf(move, 's');
      const score = scoreOf({ ...line, rounds: Math.min(2, line.rounds ?? 1) });
      expect([move.id, jumps(actsOfScore(score, library), score.steps)]).toEqual([move.id, []]);
    }
  });

  it('never jumps in any class, from one move to the next either', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const score = compile(plan, LIBRARY_BOOK);
        const some = score.steps.slice(0, 9);
        const short = some.filter((s) => s.durationMs < 700).map((s) => s.id);
        // Doses of half a second in turn, and the like, may go a little quicker.
        const found = jumps(actsOfScore(score, library), some, 0.2);
        // A step that is over at once is left as quickly as it was entered.
        const beside = found.filter((f) => !short.some((id) => f.startsWith(id)));
        expect(short.length > 0 ? beside.slice(1) : beside).toEqual([]);
      }),
      { numRuns: 20 },
    );
  });

  it('never jumps where a move of one side is done in turn', () => {
    for (const move of ['chin-over-shoulder', 'gaze-far-holds', 'full-cheeks-with-taps']) {
      const score = scoreOf({ move, sides: 'alternating', rounds: 1 });
      expect(jumps(actsOfScore(score, library), score.steps)).toEqual([]);
    }
  });

  it('is in the pose when the work begins, and at rest again at its end', () => {
    const score = scoreOf({ move: 'folded-lip-press', rounds: 1, releaseSeconds: 8 });
    const acts = actsOfScore(score, library);
    const at = (kind: Step['kind'], ms: (length: number) => number) => {
      const i = score.steps.findIndex((s) => s.kind === kind);
      return poseAt(acts, i, ms(score.steps[i]?.durationMs ?? 0));
    };
    expect(
      amount(
        at('upbeat', () => 0),
        '28',
      ),
    ).toBe(0);
    // It is shown while it is told.
    const length = score.steps[0]?.durationMs ?? 0;
    const shown = Array.from({ length: 40 }, (_, i) =>
      amount(
        at('upbeat', () => (i * length) / 40),
        '28',
      ),
    );
    expect(Math.max(...shown.slice(0, 30))).toBeGreaterThan(0.8);
    expect(
      amount(
        at('work', () => 0),
        '28',
      ),
    ).toBe(1);
    expect(
      amount(
        at('work', (ms) => ms),
        '28',
      ),
    ).toBeGreaterThan(0.95);
    expect(
      amount(
        at('release', (ms) => ms),
        '28',
      ),
    ).toBe(0);
    expect(at('release', (ms) => ms / 2).hands).not.toEqual([]);
    expect(at('release', (ms) => ms).reach).toBeLessThan(0.05);
  });

  it('does each rep in its seconds, and each breath in its pattern', () => {
    const reps = scoreOf({
      move: 'smile-pulses',
      rounds: 1,
      dose: { kind: 'reps', reps: 5, secondsEach: 4 },
    });
    const acts = actsOfScore(reps, library);
    const work = reps.steps.findIndex((s) => s.kind === 'work');
    expect(reps.steps[work]?.repMs).toBe(4000);
    for (const rep of [0, 1, 2, 3, 4]) {
      const at = (ms: number) => amount(poseAt(acts, work, rep * 4000 + ms), '12L');
      expect(at(0)).toBeCloseTo(rep === 0 ? at(0) : 0.5, 2);
      expect(at(2000)).toBeCloseTo(0.95, 2);
    }
    const breathing = scoreOf({
      move: 'o-breathing',
      rounds: 1,
      dose: { kind: 'breaths', breaths: 3, pattern: { in: 3, hold: 1, out: 5, pause: 1 } },
    });
    const breath = breathing.steps.findIndex((s) => s.kind === 'work');
    const at = (ms: number) => amount(poseAt(actsOfScore(breathing, library), breath, ms), '35L');
    expect(at(13_500)).toBeCloseTo(0.8, 2);
    expect(at(11_500)).toBeLessThan(0.8);
    expect(at(19_500)).toBe(0);
  });

  it('works on the side that is said', () => {
    const score = scoreOf({ move: 'chin-over-shoulder', rounds: 1 });
    const acts = actsOfScore(score, library);
    const halfway = (side: string) => {
      const i = score.steps.findIndex((s) => s.kind === 'work' && s.side === side);
      return poseAt(acts, i, (score.steps[i]?.durationMs ?? 0) / 2);
    };
    expect(amount(halfway('left'), '51L')).toBeGreaterThan(0.9);
    expect(amount(halfway('left'), '51R')).toBe(0);
    expect(amount(halfway('right'), '51R')).toBeGreaterThan(0.9);
    const still = (pose: Pose) => ({
      ...pose,
      units: pose.units.map((u) => Math.round(u * 20) / 20),
    });
    const chest = unitIndex('chest');
    const known = (pose: Pose) => still(pose).units.filter((_, i) => i !== chest && !LIDS.has(i));
    expect(known(mirrored(halfway('left')))).toEqual(known(halfway('right')));
  });

  it('goes the other way round where the other way is said, and to the other side in turn', () => {
    const circle = { keys: ['63', '61R', '64', '61L'] };
    const acts = (side: Step['side'], keys = circle): Act[] => [
      {
        step: { kind: 'work', side, startMs: 0, durationMs: 32_000, repMs: 8000 },
        track: trackOf(keys),
      },
    ];
    expect(amount(poseAt(acts('one'), 0, 2000), '61R')).toBe(1);
    expect(amount(poseAt(acts('other'), 0, 2000), '61L')).toBe(1);
    const swing = { keys: ['', '61L'] };
    expect(amount(poseAt(acts('alternating', swing), 0, 4000), '61L')).toBe(1);
    expect(amount(poseAt(acts('alternating', swing), 0, 12_000), '61R')).toBe(1);
  });

  it('does little where there is no time for more', () => {
    const quick = (repMs: number) => {
      const acts: Act[] = [
        {
          step: { kind: 'work', side: 'both', startMs: 0, durationMs: 20 * repMs, repMs },
          track: trackOf({ keys: ['', '12'] }),
        },
      ];
      const all = Array.from({ length: 100 }, (_, i) => amount(poseAt(acts, 0, i * 20), '12L'));
      return Math.max(...all) - Math.min(...all);
    };
    expect(quick(4000)).toBeCloseTo(1, 1);
    expect(quick(400)).toBeLessThan(0.5);
    expect(quick(400)).toBeGreaterThan(0.1);
  });

  it('blinks now and then, but not where the eyes are the work, and breathes', () => {
    const closed = (keys: string) => {
      const acts: Act[] = [
        {
          step: { kind: 'work', side: 'both', startMs: 0, durationMs: 20_000 },
          track: trackOf({ keys }),
        },
      ];
      return Array.from({ length: 400 }, (_, i) => poseAt(acts, 0, i * 50));
    };
    const most = (poses: Pose[], unit: '43L' | 'chest') =>
      Math.max(...poses.map((pose) => amount(pose, unit)));
    expect(most(closed('12'), '43L')).toBeGreaterThan(0.8);
    expect(most(closed('63'), '43L')).toBe(0);
    expect(most(closed('63'), 'chest')).toBeGreaterThan(0.2);
  });

  it('is at rest where nothing is known of the move', () => {
    const score = scoreOf({ move: 'smile-pulses' });
    const acts = actsOfScore(score, () => null);
    const { units } = poseAt(acts, 0, 3000);
    expect(units.filter((u, i) => u > 0 && !LIDS.has(i) && i !== unitIndex('chest'))).toEqual([]);
    expect(poseAt(acts, 999, 0)).toBe(STILL);
  });
});
