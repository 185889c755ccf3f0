import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { anyBends, eventsOf, scoresOf, T0 } from '@testing/runs';
import { solver } from '@testing/solver';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placedSegments, updateSegment } from '@/core/class';
import {
  apply,
  catchUp,
  cuesAhead,
  cuesByStep,
  cuesOfStep,
  type NewRunEvent,
  type Playback,
  playLengthMs,
  position,
  ready,
  remainingMs,
  replay,
} from '.';

/** What is said of how much comes, against what comes. */

const caughtUp = (state: Playback, share: number): Playback => {
  const wanted = state.at + Math.round(share * remainingMs(state));
  const { cuts, dropped } = catchUp(state, wanted, solver);
  return apply(state, { id: eventId(1000), at: state.at, type: 'trimmed', cuts, dropped });
};

describe('how much comes', () => {
  const scores = scoresOf(
    planOf([
      { move: 'slow-belly-breaths', locked: true },
      { move: 'tall-o-cheek-lift', rounds: 3 },
    ]),
  );
  const led = (...more: object[]): Playback => {
    const events = [{ type: 'started' }, ...more].map((what, i) => {
      return { id: eventId(i), at: T0 + 10 * i, ...what } as NewRunEvent;
    });
    return position(scores.score, events, T0 + 10 * events.length, scores.easier);
  };
  const said = (state: Playback) =>
    cuesAhead(state, cuesByStep(scores.score, scores.easier), 3_600_000)
      .map(({ cue }) => cue)
      .filter(({ kind, step }) => kind === 'dose' && scores.score.steps[step]?.segmentId === 's2');

  it('is not said where a catch-up took some of it away, and the rounds are told as they are', () => {
    const before = led();
    expect(said(before)).toHaveLength(1);
    const dropped = before.queue.filter((p) => p.step.segmentId === 's2' && p.step.round === 3);
    const keys = dropped.map((p) => p.key);
    const fewer = led({ type: 'trimmed', cuts: [], dropped: keys });
    expect(said(fewer)).toEqual([]);
    const own = fewer.queue.filter((p) => p.step.segmentId === 's2');
    expect(new Set(own.map((p) => `${p.step.round} of ${p.step.rounds}`))).toEqual(
      new Set(['1 of 2', '2 of 2']),
    );
    expect(said(led({ type: 'trimmed', cuts: [], dropped: keys }, { type: 'roundAdded' }))).toEqual(
      [],
    );
    const cuts = [{ key: 's2.2.work.both', ms: 5000 }];
    expect(said(led({ type: 'trimmed', cuts, dropped: [] }))).toEqual([]);
    const eased = led(
      { type: 'trimmed', cuts, dropped: [] },
      { type: 'skipped' },
      { type: 'eased' },
    );
    expect(said(eased)).toEqual([]);
  });

  it('is said again where that is taken back', () => {
    const cuts = [{ key: 's2.2.work.both', ms: 5000 }];
    const trimmed = { type: 'trimmed', cuts, dropped: [] };
    expect(said(led(trimmed, { type: 'undone', of: eventId(1) }))).toHaveLength(1);
  });

  it('is as it was where nothing but a pause was cut', () => {
    const cuts = [{ key: 's2.1.rest', ms: 60_000 }];
    expect(said(led({ type: 'trimmed', cuts, dropped: [] }))).toHaveLength(1);
  });

  it('is said of the last round that it is the last, and of no other', () => {
    const announced = (state: Playback) =>
      cuesAhead(state, cuesByStep(scores.score, scores.easier), 3_600_000)
        .map(({ cue }) => cue)
        .filter(({ kind, text }) => kind === 'announce' && /round/i.test(text))
        .map(({ text }) => text);
    expect(announced(led())).toEqual(['Round 2.', 'Last round.']);
    const added = { type: 'roundAdded' };
    const here = { type: 'jumped', stepId: 's2.1.upbeat' };
    const all = ['Round 2.', 'Round 3.', 'One more round.'];
    expect(announced(led(here, added))).toEqual(all);
    expect(announced(led(here, added, { type: 'eased' }))).toEqual(all);
    expect(announced(led(here, { type: 'eased' }, added))).toEqual(all);
    const late = { type: 'jumped', stepId: 's2.3.work.both' };
    expect(announced(led(late, added, here))).toEqual(all);
    const undone = { type: 'undone', of: eventId(2) };
    expect(announced(led(here, added, undone))).toEqual(['Round 2.', 'Last round.']);
  });

  it('is the last round that is said to be, whatever was done to any class', () => {
    let last = 0;
    fc.assert(
      fc.property(smallPlan(80), anyBends, (any, bends) => {
        const plan = placedSegments(any).reduce(
          (of, { segment }) =>
            updateSegment(of, segment.id, (s) => ({ ...s, rounds: s.rounds + 1 })),
          any,
        );
        const { score, easier } = scoresOf(plan);
        const added = { wait: 500, bend: { type: 'roundAdded' as const } };
        const events = eventsOf([added, ...bends], score);
        // What is said while a round is asked for is not taken back.
        const playing = events.flatMap((event, n) => {
          const before = position(score, events.slice(0, n), event.at, easier);
          return event.type === 'roundAdded' ? [before.queue[before.index]?.key] : [];
        });
        const state = replay(ready(score, easier), events);
        const groups = cuesByStep(score, easier);
        const { lastRound } = LIBRARY_BOOK.phrases(plan.language);
        state.queue.forEach((p) => {
          if (playing.includes(p.key)) return;
          if (cuesOfStep(p, groups).every(({ text }) => !text.includes(lastRound))) return;
          last++;
          expect([p.key, p.step.round]).toEqual([p.key, p.step.rounds]);
        });
      }),
      { numRuns: RUNS },
    );
    expect(last).toBeGreaterThan(0);
  });

  it('is what comes, in any class that was bent and has caught up', () => {
    let untold = 0;
    fc.assert(
      fc.property(
        smallPlan(80),
        anyBends,
        fc.double({ min: 0.2, max: 1, noNaN: true }),
        (plan, bends, share) => {
          const { score, easier } = scoresOf(plan);
          const known = bends.filter(
            ({ bend }) => bend.type !== 'eased' && bend.type !== 'roundAdded',
          );
          const before = replay(ready(score, easier), eventsOf(known, score));
          const after = caughtUp(before, share);
          const groups = cuesByStep(score, easier);
          const lengths = new Map(after.queue.map((p) => [p.key, playLengthMs(p)]));
          for (const p of after.queue) {
            const { kind, round, segmentId } = p.step;
            if (kind !== 'upbeat' || p.put) continue;
            if (p.untold) untold++;
            if (cuesOfStep(p, groups).every((cue) => cue.kind !== 'dose')) continue;
            for (const step of score.steps) {
              const told = step.round === round || round === 1;
              if (step.kind !== 'work' || step.segmentId !== segmentId || !told) continue;
              expect([p.key, step.id, lengths.get(step.id)]).toEqual([
                p.key,
                step.id,
                step.durationMs,
              ]);
            }
          }
          for (const p of after.queue) {
            expect(p.step.round).toBeLessThanOrEqual(p.step.rounds);
          }
        },
      ),
      { numRuns: RUNS },
    );
    expect(untold).toBeGreaterThan(RUNS / 8);
  });
});
