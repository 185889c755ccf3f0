import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { anyBends, eventsOf, type Scores, scoresOf, T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { updateSegment } from '@/core/class';
import { apply, type NewRunEvent, type Playback, playLengthMs, ready, replay } from '.';

/** Work of a run by side: in which version, and for how long. */
const worked = (state: Playback, segmentId = 's1') =>
  state.queue.flatMap((p) =>
    p.step.kind === 'work' && p.step.segmentId === segmentId
      ? `${p.step.round} ${p.step.side} ${p.step.variant ?? 'as planned'} ${playLengthMs(p) / 1000} s`
      : [],
  );

/** A run of one move on each side, bent half a second into some of its steps. */
function bent(
  { score, easier }: Scores,
  ...bends: [stepId: string, type: NewRunEvent['type'], ms?: number][]
): Playback {
  const begun: NewRunEvent = { id: eventId(0), at: T0, type: 'started' };
  return bends.reduce(
    (state, [stepId, type, ms], i) => {
      const at = state.at + 500;
      const jump = { id: eventId(2 * i + 1), at, type: 'jumped', stepId } as const;
      const event = { id: eventId(2 * i + 2), at: at + 500, type, ms } as NewRunEvent;
      return replay(state, stepId === '' ? [event] : [jump, event]);
    },
    apply(ready(score, easier), begun),
  );
}

describe('a move that was made easier', () => {
  const neck = scoresOf(planOf([{ move: 'chin-over-shoulder', rounds: 1 }]));
  const { variant } = neck.easier.steps.find((s) => s.kind === 'work') ?? {};

  it('stays so where the class goes back to the side that was over', () => {
    expect(variant).toBe('easier');
    const state = bent(neck, ['s1.1.work.right', 'eased'], ['', 'again']);
    const here = state.queue[state.index]?.step;
    expect([here?.kind, here?.side, here?.variant]).toEqual(['upbeat', 'left', 'easier']);
    expect(worked(state)).toEqual(['1 left easier 20 s', '1 right easier 20 s']);
  });

  it('stays so in a round that is added, on both sides', () => {
    const state = bent(neck, ['s1.1.work.right', 'eased'], ['', 'roundAdded']);
    expect(worked(state)).toEqual(
      ['1 left', '1 right', '2 left', '2 right'].map((side) => `${side} easier 20 s`),
    );
  });

  it('is so in what makes a side even as well', () => {
    const state = bent(neck, ['s1.1.work.right', 'extended', 10_000], ['', 'eased']);
    expect(worked(state)).toEqual([
      '1 left easier 20 s',
      '1 right easier 30 s',
      '1 left easier 10 s',
    ]);
  });

  it('is as it was once that is taken back', () => {
    const state = bent(neck, ['s1.1.work.right', 'eased']);
    const of = eventId(2);
    const back = apply(state, { id: eventId(9), at: state.at + 10, type: 'undone', of });
    expect(worked(back)).toEqual(['1 left as planned 20 s', '1 right as planned 20 s']);
  });

  it('stays so after any bends, in every step of every class', () => {
    let found = 0;
    const share = fc.double({ min: 0, max: 0.999, noNaN: true });
    fc.assert(
      fc.property(smallPlan(80), share, anyBends, (plan, from, more) => {
        const scores = scoresOf(plan);
        const bends = [
          { wait: 0, bend: { type: 'jumpedTo' as const, share: from } },
          { wait: 500, bend: { type: 'eased' as const } },
          ...more,
        ];
        const eased = new Set<string>();
        let state = ready(scores.score, scores.easier);
        const variants = () =>
          new Map(
            state.queue.flatMap((p) => (p.step.kind === 'work' ? [[p.key, p.step.variant]] : [])),
          );
        for (const event of eventsOf(bends, scores.score)) {
          const before = variants();
          state = apply(state, event);
          if (event.type === 'eased') {
            // What is still to come has keys of its own then.
            for (const p of state.queue) {
              const isChanged = before.get(p.key) !== p.step.variant;
              if (p.step.kind === 'work' && isChanged) eased.add(p.step.segmentId);
            }
          }
          const usual = state.queue.filter(
            (p) =>
              p.step.kind === 'work' && eased.has(p.step.segmentId) && p.step.variant !== 'easier',
          );
          expect(usual.map((p) => p.key)).toEqual([]);
        }
        found += eased.size;
      }),
      { numRuns: RUNS },
    );
    expect(found).toBeGreaterThan(0);
  });
});

describe('a side of its own length', () => {
  it('keeps it in a round that is added', () => {
    const plan = updateSegment(planOf([{ move: 'chin-over-shoulder', rounds: 1 }]), 's1', (s) => ({
      ...s,
      uneven: {
        side: 'right',
        dose: { kind: 'hold', seconds: 15 },
        reason: 'The right is tender.',
      },
    }));
    const state = bent(scoresOf(plan), ['s1.1.work.left', 'roundAdded']);
    expect(worked(state)).toEqual([
      '1 left as planned 20 s',
      '1 right as planned 15 s',
      '2 left as planned 20 s',
      '2 right as planned 15 s',
    ]);
  });
});
