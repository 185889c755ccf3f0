import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { anyBends, eventsOf, scoresOf } from '@testing/runs';
import { solver } from '@testing/solver';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrangeBlock, blocksOf } from '@/core/class';
import { compile, QUESTIONS, type Score } from '@/core/score';
import {
  apply,
  catchUp,
  cuesAhead,
  cuesByStep,
  type Playback,
  playLengthMs,
  position,
  ready,
  remainingMs,
  replay,
} from '.';

const T0 = 1_790_000_000_000;
const at = (score: Score, ms: number): Playback =>
  position(score, [{ id: eventId(0), at: T0, type: 'started' }], T0 + ms);
const trimmed = (state: Playback, endAt: number) => {
  const { cuts, dropped, ...told } = catchUp(state, endAt, solver);
  const event = { id: eventId(1), at: state.at, type: 'trimmed', cuts, dropped } as const;
  return { after: apply(state, event), told };
};

const plan = planOf([
  { move: 'slow-belly-breaths' },
  { move: 'tall-o-cheek-lift', rounds: 3 },
  { move: 'chin-over-shoulder', rounds: 2 },
  { move: 'closing-face-drain' },
]);
const score = compile(plan, LIBRARY_BOOK);

describe('catching up', () => {
  it('changes nothing where the class ends in time', () => {
    const state = at(score, 5000);
    const { after, told } = trimmed(state, T0 + score.totalMs + 1000);
    expect([after.queue, told.lines, told.lateMs]).toEqual([state.queue, [], -1000]);
  });

  it('takes from the pauses before it takes from the work', () => {
    const state = at(score, 5000);
    const { after, told } = trimmed(state, T0 + score.totalMs - 3000);
    expect(Math.abs(told.lateMs)).toBeLessThanOrEqual(2000);
    for (const p of after.queue) if (p.step.kind === 'work') expect(p.extraMs).toBe(0);
    expect(told.lines.every((l) => /^pauses \d+ s shorter in all$/.test(l.words))).toBe(true);
  });

  it('drops rounds or shortens holds when that is not enough, and says what', () => {
    const state = at(score, 5000);
    const { after, told } = trimmed(state, T0 + score.totalMs - 60_000);
    expect(Math.abs(told.lateMs)).toBeLessThanOrEqual(2000);
    expect(T0 + score.totalMs - 60_000 + told.lateMs).toBe(after.at + remainingMs(after));
    expect(told.lines.some((l) => /rounds|instead of/.test(l.words))).toBe(true);
  });

  it('leaves a locked segment alone: its work, its rounds and its pauses', () => {
    const lines = planOf([
      { move: 'slow-belly-breaths' },
      { move: 'tall-o-cheek-lift', rounds: 3, restSeconds: 10, locked: true },
      { move: 'soft-jaw-drop', rounds: 2 },
    ]);
    const locked = compile(lines, LIBRARY_BOOK);
    const { after } = trimmed(at(locked, 1000), T0 + 30_000);
    const kept = after.queue.filter((p) => p.step.segmentId === 's2');
    expect(kept.map((p) => p.key)).toEqual(
      locked.steps.filter((s) => s.segmentId === 's2').map((s) => s.id),
    );
    for (const p of kept) expect(p.extraMs).toBe(0);
  });

  it('keeps the drain whole, and gives up rounds before it shortens any work', () => {
    const { after } = trimmed(at(score, 5000), T0 + 30_000);
    const drain = after.queue.filter((p) => p.step.moveId === 'closing-face-drain');
    expect(drain.map((p) => [p.key, p.extraMs])).toEqual(
      score.steps.filter((s) => s.moveId === 'closing-face-drain').map((s) => [s.id, 0]),
    );
    const { after: less } = trimmed(at(score, 5000), T0 + score.totalMs - 45_000);
    expect(less.queue.length).toBeLessThan(score.steps.length);
    for (const p of less.queue) if (p.step.kind === 'work') expect(p.extraMs).toBe(0);
  });

  it('leaves out nothing that explains what comes again', () => {
    const twice = compile(
      planOf([
        { move: 'slow-belly-breaths' },
        { move: 'soft-jaw-drop', rounds: 1, optional: true },
        { move: 'pucker-hold', rounds: 1, optional: true },
        { move: 'soft-jaw-drop', rounds: 1, locked: true },
      ]),
      LIBRARY_BOOK,
    );
    const { after } = trimmed(at(twice, 1000), T0 + 20_000);
    const left = new Set(after.queue.map((p) => p.step.segmentId));
    expect([left.has('s2'), left.has('s3')]).toEqual([true, false]);
  });

  it('cuts by whole reps, whatever dose a round has', () => {
    const reps = (n: number, secondsEach: number) =>
      ({ kind: 'reps', reps: n, secondsEach }) as const;
    const rounds = compile(
      planOf([
        { move: 'slow-belly-breaths' },
        {
          move: 'soft-jaw-drop',
          rounds: 2,
          dose: reps(6, 5),
          byRound: [{}, { dose: reps(8, 7) }],
          releaseSeconds: 0,
        },
      ]),
      LIBRARY_BOOK,
    );
    for (const need of [5, 12, 20, 33, 47]) {
      const { after } = trimmed(at(rounds, 1000), T0 + rounds.totalMs - need * 1000);
      for (const p of after.queue.filter((q) => q.step.kind === 'work' && q.step.unitMs)) {
        expect(Math.abs(p.extraMs) % (p.step.unitMs ?? 1)).toBe(0);
      }
    }
  });

  it('never says the let-go of a move that was left out, and says each that was done', () => {
    const { after } = trimmed(at(score, 5000), T0 + 60_000);
    const left = new Set(after.queue.map((p) => p.step.segmentId));
    const said = cuesAhead(after, cuesByStep(score), 10 ** 7).flatMap(({ cue }) =>
      cue.kind === 'letGo' ? (score.steps[cue.step]?.segmentId ?? '') : [],
    );
    expect(new Set(said)).toEqual(left);
  });

  it('says how late it stays when there is not enough to take', () => {
    const state = at(score, 1000);
    const { after, told } = trimmed(state, T0 + 20_000);
    expect(told.lateMs).toBeGreaterThan(0);
    expect(after.at + remainingMs(after) - told.lateMs).toBe(T0 + 20_000);
  });

  it('keeps floors, sides, the close and what has begun, in every class', () => {
    fc.assert(
      fc.property(
        smallPlan(60),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0.2, max: 1.2, noNaN: true }),
        (any, where, share) => {
          const made = compile(any, LIBRARY_BOOK);
          if (made.totalMs === 0) return;
          const state = at(made, Math.floor(where * (made.totalMs - 1)));
          const wanted = state.at + Math.round(share * remainingMs(state));
          const { after, told } = trimmed(state, wanted);
          expect(after.at + remainingMs(after)).toBe(wanted + told.lateMs);
          const begun = (s: Playback) =>
            s.queue.slice(0, state.index + 1).map((p) => [p.key, playLengthMs(p)]);
          expect(begun(after)).toEqual(begun(state));
          for (const p of after.queue) {
            expect(playLengthMs(p)).toBeGreaterThanOrEqual(p.leastMs);
          }
          const closing = (s: Playback) =>
            s.queue.filter((p) => p.step.kind === 'work' && p.step.phase === 'close').length;
          if (state.queue.every((p) => p.step.rounds === 1))
            expect(closing(after)).toBe(closing(state));
          const sides = new Map<string, number[]>();
          for (const p of after.queue) {
            if (p.step.kind !== 'work' || p.step.segmentId === QUESTIONS) continue;
            const key = `${p.step.segmentId}.${p.step.round}`;
            sides.set(key, [...(sides.get(key) ?? []), playLengthMs(p)]);
          }
          const planned = new Map<string, number>();
          for (const s of made.steps) {
            if (s.kind === 'work') {
              const key = `${s.segmentId}.${s.round}`;
              planned.set(key, (planned.get(key) ?? 0) + 1);
            }
          }
          for (const [key, lengths] of sides) {
            expect(new Set(lengths).size).toBe(1);
            expect(lengths.length).toBe(planned.get(key));
          }
        },
      ),
      { numRuns: Math.min(RUNS, 60) },
    );
  });

  it('promises nothing of a round in which a side comes once more', () => {
    const plan = planOf([
      { move: 'slow-belly-breaths', locked: true },
      { move: 'chin-over-shoulder', rounds: 1 },
    ]);
    const neck = scoresOf(arrangeBlock(plan, blocksOf(plan)[1]?.id ?? '', { oneSideFirst: true }));
    const right = neck.score.steps.find((s) => s.kind === 'upbeat' && s.side === 'right');
    const at = T0 + (right?.startMs ?? 0) + 10;
    const events = [
      { id: eventId(1), at: T0, type: 'started' },
      { id: eventId(2), at, type: 'extended', ms: 10_000 },
      { id: eventId(3), at: at + 10, type: 'jumped', stepId: 's1.1.upbeat' },
    ] as const;
    const state = replay(ready(neck.score, neck.easier), events);
    expect(state.queue.map((p) => p.put)).toContain('even');
    for (const need of [6, 9, 12, 15, 18, 21, 24]) {
      const wanted = state.at + remainingMs(state) - need * 1000;
      const { after, told } = trimmed(state, wanted);
      expect(after.at + remainingMs(after)).toBe(wanted + told.lateMs);
    }
  });

  it('saves what it says, and keeps both sides equal, after any bends of any class', () => {
    fc.assert(
      fc.property(
        smallPlan(60),
        anyBends,
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (any, bends, share) => {
          const { score, easier } = scoresOf(any);
          const state = replay(ready(score, easier), eventsOf(bends, score));
          const wanted = state.at + Math.round(share * remainingMs(state));
          const { after, told } = trimmed(state, wanted);
          expect(after.at + remainingMs(after)).toBe(wanted + told.lateMs);
          const sides = new Map<string, Map<string, number>>();
          for (const p of after.queue) {
            const { kind, round, segmentId, side } = p.step;
            if (kind !== 'work' || side === 'both' || side === 'alternating') continue;
            const of = sides.get(`${segmentId}.${round}`) ?? new Map<string, number>();
            of.set(side, (of.get(side) ?? 0) + playLengthMs(p));
            sides.set(`${segmentId}.${round}`, of);
          }
          for (const of of sides.values()) expect(new Set(of.values()).size).toBe(1);
        },
      ),
      { numRuns: Math.min(RUNS, 100) },
    );
  });
});
