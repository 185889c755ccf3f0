import { libraryMove } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { scoresOf, T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Plan, placedSegments, updateSegment } from '@/core/class';
import { type Move, variantText } from '@/core/move';
import { meeting, type Step } from '@/core/score';
import { cuesAhead, cuesByStep, type NewRunEvent, type Playback, position } from '.';

const meets = ({ moveId, variant }: Step) => meeting(moveId, variant);
const events = (...all: [ms: number, what: object][]): NewRunEvent[] =>
  [[0, { type: 'started' }] as [number, object], ...all].map(
    ([ms, what], i) => ({ id: eventId(i), at: T0 + ms, ...what }) as NewRunEvent,
  );

/** A class in which the same moves come again and again. */
const ofFewMoves = (plan: Plan): Plan =>
  placedSegments(plan).reduce(
    (of, { segment }, i) =>
      updateSegment(of, segment.id, ({ variant: _, byRound: _rounds, ...s }) => ({
        ...s,
        move: ['soft-jaw-drop', 'smile-pulses'][i % 2] ?? s.move,
      })),
    plan,
  );

describe('a move whose explanation is passed over', () => {
  const setup = variantText(libraryMove('soft-jaw-drop') as Move, 'en', undefined).setup;
  const plan = planOf([
    { move: 'soft-jaw-drop' },
    { move: 'smile-pulses' },
    { move: 'soft-jaw-drop' },
    { move: 'soft-jaw-drop' },
  ]);
  const scores = scoresOf(plan);
  const at = (id: string) => scores.score.steps.find((s) => s.id === id)?.startMs ?? 0;
  const said = (state: Playback) =>
    cuesAhead(state, cuesByStep(scores.score, scores.easier), 3_600_000).map((d) => d.cue.text);
  const led = (ms: number, ...all: [number, object][]) =>
    position(scores.score, events(...all), T0 + ms, scores.easier);
  const times = (state: Playback) => said(state).filter((text) => text === setup[0]).length;

  it('is explained where it comes next, once', () => {
    const to = (id: string) => ({ type: 'jumped', stepId: id });
    expect(times(led(10, [10, to('s2.1.upbeat')]))).toBe(1);
    expect(times(led(10, [10, to('s3.1.upbeat')]))).toBe(1);
    const twice = led(20, [10, to('s2.1.upbeat')], [20, to('s4.1.upbeat')]);
    expect(times(twice)).toBe(1);
    expect(twice.queue[twice.index]?.step).toMatchObject({ id: 's4.1.upbeat', explains: true });
  });

  it('is explained in its usual version where that comes next after an easier one, if nobody heard it', () => {
    expect(times(led(10, [10, { type: 'eased' }]))).toBe(1);
    const late = at('s1.1.work.both') + 500;
    expect(times(led(late, [late, { type: 'eased' }]))).toBe(0);
  });

  it('is not explained again where it was heard', () => {
    const ms = at('s1.1.work.both') + 500;
    expect(times(led(ms, [ms, { type: 'jumped', stepId: 's3.1.upbeat' }]))).toBe(0);
  });

  it('is as it was when the bend is taken back', () => {
    const back = led(
      2000,
      [1000, { type: 'jumped', stepId: 's3.1.upbeat' }],
      [2000, { type: 'undone', of: eventId(1) }],
    );
    expect(back.queue).toEqual(led(2000).queue);
  });

  const passing = fc.constantFrom('skipped', 'eased');
  it('is explained before it is done, whatever is skipped or made easier, in any class', () => {
    fc.assert(
      fc.property(smallPlan(80).map(ofFewMoves), fc.nat(400_000), passing, (any, ms, type) => {
        const { score, easier } = scoresOf(any);
        const bent = events([ms, { type }]);
        const before = position(score, bent.slice(0, 1), T0 + ms, easier);
        const after = position(score, bent, T0 + ms, easier);
        fc.pre(before.status === 'running' && after.status === 'running');
        // What the class heard of: upbeats that explain and are over.
        const heard = new Set(
          score.steps.flatMap((s) =>
            s.explains && s.startMs + s.durationMs <= ms ? meets(s) : [],
          ),
        );
        const explained = new Set(score.steps.flatMap((s) => (s.explains ? meets(s) : [])));
        const firstOf = new Set<string>();
        const full = new Set(score.spares?.map(({ name }) => name));
        for (const { step } of after.queue.slice(after.index)) {
          if (step.kind !== 'upbeat') continue;
          const id = meets(step);
          // Nobody is told in full what the teacher muted, or what everybody knows.
          const has = step.explains || full.has(`full ${step.id}`);
          if (!firstOf.has(id) && explained.has(id) && !heard.has(id) && has) {
            expect([step.id, step.explains]).toEqual([step.id, true]);
          }
          firstOf.add(id);
        }
        const groups = cuesByStep(score, easier);
        const last = cuesAhead(after, groups, 3_600_000);
        last.forEach(({ at: begins }, i) => {
          const one = last[i - 1];
          if (one) expect(begins).toBeGreaterThanOrEqual(one.at + one.cue.durationMs);
        });
      }),
      { numRuns: RUNS },
    );
  });
});
