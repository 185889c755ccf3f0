import { LIBRARY_BOOK } from '@library';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile, type Score } from '@/core/score';
import { anyPlan, RUNS } from '@/core/testing/arbitrary';
import { eventId, planOf } from '@/core/testing/plans';
import {
  advance,
  apply,
  beatsAhead,
  cuesAhead,
  cuesByStep,
  currentCue,
  type Playback,
  playLengthMs,
  position,
  type RunEventDraft,
  type RunEventType,
  ready,
  remainingMs,
  replay,
} from '.';

const T0 = 1_790_000_000_000;

type Bend = { type: RunEventType; ms?: number; stepId?: string };
/** Events at offsets from the start, the first of them the start itself. */
const log = (...bends: [offsetMs: number, bend: Bend | RunEventType][]): RunEventDraft[] =>
  [[0, 'started'] as const, ...bends].map(([offset, bend], i) => ({
    id: eventId(i),
    at: T0 + offset,
    ...(typeof bend === 'string' ? { type: bend } : bend),
  })) as RunEventDraft[];

const twoSided: Score = compile(
  planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift', rounds: 2 }]),
  LIBRARY_BOOK,
);
const at = (score: Score, kind: string, nth = 0) => {
  const step = score.steps.filter((s) => s.kind === kind)[nth];
  if (!step) throw new Error(`no ${kind} ${nth}`);
  return step;
};
const where = (score: Score, events: RunEventDraft[], offset: number) => {
  const state = position(score, events, T0 + offset);
  return { state, step: state.queue[state.index]?.step.id, elapsed: state.elapsedMs };
};

describe('a run left alone', () => {
  it('stands where the clock says, and is over when its steps have run out', () => {
    const work = at(twoSided, 'work');
    expect(where(twoSided, log(), work.startMs + 1234)).toMatchObject({
      step: work.id,
      elapsed: 1234,
    });
    const { state } = where(twoSided, log(), twoSided.totalMs + 9999);
    expect(state).toMatchObject({ status: 'over', endedAt: T0 + twoSided.totalMs });
  });

  it('has not begun before it was started', () => {
    expect(position(twoSided, [], T0).status).toBe('ready');
    expect(remainingMs(ready(twoSided))).toBe(twoSided.totalMs);
  });
});

describe('bending', () => {
  const work = at(twoSided, 'work');

  it('stands still while paused and loses no millisecond', () => {
    const events = log([work.startMs + 500, 'paused'], [work.startMs + 7500, 'resumed']);
    expect(where(twoSided, events, work.startMs + 3000).elapsed).toBe(500);
    expect(where(twoSided, events, work.startMs + 7501).elapsed).toBe(501);
    expect(where(twoSided, events, twoSided.totalMs + 7000 + 50).state.endedAt).toBe(
      T0 + twoSided.totalMs + 7000,
    );
  });

  it('goes back to the upbeat of the round in work', () => {
    const events = log([work.startMs + 4000, 'again']);
    expect(where(twoSided, events, work.startMs + 4100)).toMatchObject({
      step: at(twoSided, 'upbeat').id,
      elapsed: 100,
    });
  });

  it('goes to the upbeat before when pressed again at once', () => {
    const second = at(twoSided, 'upbeat', 1);
    const events = log([second.startMs + 400, 'again']);
    expect(where(twoSided, events, second.startMs + 400).step).toBe(at(twoSided, 'upbeat').id);
  });

  it('goes on to the next step, and from the last one to the end', () => {
    const events = log([100, 'next']);
    expect(where(twoSided, events, 150)).toMatchObject({ step: work.id, elapsed: 50 });
    const last = twoSided.steps.at(-1);
    const end = log([100, { type: 'jumped', stepId: last?.id }], [200, 'next']);
    expect(where(twoSided, end, 300).state).toMatchObject({ status: 'over', endedAt: T0 + 200 });
  });

  it('lengthens both sides when the first is lengthened, so that they stay equal', () => {
    const events = log([work.startMs + 1000, { type: 'extended', ms: 10_000 }]);
    const { state } = where(twoSided, events, work.startMs + 2000);
    const parts = state.queue.filter((p) => p.step.kind === 'work').map((p) => p.extraMs);
    expect(parts).toEqual([10_000, 10_000, 0, 0]);
  });

  it('lengthens the coming work when the upbeat is running, and only this round of it', () => {
    const second = at(twoSided, 'upbeat', 1);
    const events = log([second.startMs + 10, { type: 'extended', ms: 5000 }]);
    const { state } = where(twoSided, events, second.startMs + 20);
    const parts = state.queue.filter((p) => p.step.kind === 'work').map((p) => p.extraMs);
    expect(parts).toEqual([0, 0, 5000, 0]);
  });

  it('moves the last-five count along with the end of a longer hold', () => {
    const hold = at(twoSided, 'work', 2);
    const groups = cuesByStep(twoSided);
    const events = log([hold.startMs + 1000, { type: 'extended', ms: 10_000 }]);
    const { state } = where(twoSided, events, hold.startMs + 1000);
    const one = cuesAhead(state, groups, 60_000).find((c) => c.cue.text === 'one');
    expect(one?.at).toBe(T0 + hold.startMs + hold.durationMs + 10_000 - 1000);
  });

  it('adds a round after the last one of the segment in work', () => {
    const hold = at(twoSided, 'work', 2);
    const events = log([hold.startMs + 10, 'roundAdded']);
    const { state } = where(twoSided, events, hold.startMs + 20);
    const rounds = state.queue
      .filter((p) => p.step.kind === 'work' && p.step.segmentId === 's2')
      .map((p) => `${p.step.round} of ${p.step.rounds}`);
    expect(rounds).toEqual(['1 of 3', '2 of 3', '3 of 3']);
    expect(new Set(state.queue.map((p) => p.key)).size).toBe(state.queue.length);
  });

  it('can go back from the end until it is finished, and never after', () => {
    const end = twoSided.totalMs + 5000;
    expect(where(twoSided, log([end, 'again']), end).state.status).toBe('running');
    const finished = log([end, 'finished'], [end + 10, 'again']);
    expect(where(twoSided, finished, end + 20).state).toMatchObject({
      status: 'finished',
      endedAt: T0 + twoSided.totalMs,
    });
  });

  it('ends where it was paused when it is closed out of a pause', () => {
    const events = log([3000, 'paused'], [63_000, 'finished']);
    expect(where(twoSided, events, 70_000).state).toMatchObject({
      status: 'finished',
      endedAt: T0 + 3000,
    });
  });

  it('ignores a jump to a step that is not there', () => {
    const events = log([100, { type: 'jumped', stepId: 'nowhere' }]);
    expect(where(twoSided, events, 200).elapsed).toBe(200);
  });
});

describe('cues of the moment', () => {
  it('names the cue that was begun last in this step', () => {
    const groups = cuesByStep(twoSided);
    const upbeat = at(twoSided, 'upbeat');
    const second = groups[0]?.[1];
    const { state } = where(twoSided, log(), upbeat.startMs + (second?.offsetMs ?? 0) + 1);
    expect(currentCue(state, groups)).toBe(second);
  });

  it('marks the beat of a class that does not count aloud, and only while there is work', () => {
    const plan = planOf([{ move: 'soft-jaw-drop', rounds: 1 }], { counting: 'beat' });
    const score = compile(plan, LIBRARY_BOOK);
    const work = at(score, 'work');
    const { state } = where(score, log(), work.startMs - 500);
    expect(beatsAhead(state, 11_000).map((b) => b.at - T0 - work.startMs)).toEqual([
      0, 5000, 10_000,
    ]);
    expect(beatsAhead(where(score, log(), 10).state, 1000)).toEqual([]);
  });

  it('lists every cue of an undisturbed class once, at its time', () => {
    const begun = apply(ready(twoSided), log()[0] as RunEventDraft);
    const due = cuesAhead(begun, cuesByStep(twoSided), twoSided.totalMs);
    expect(due.map((d) => d.at - T0)).toEqual(twoSided.cues.map((c) => c.startMs));
  });
});

const anyBends = fc.array(
  fc.record({
    wait: fc.integer({ min: 0, max: 40_000 }),
    bend: fc.oneof(
      fc.constantFrom<Bend>(
        { type: 'paused' },
        { type: 'resumed' },
        { type: 'again' },
        { type: 'next' },
        { type: 'roundAdded' },
        { type: 'started' },
      ),
      fc.integer({ min: 1, max: 60_000 }).map((ms): Bend => ({ type: 'extended', ms })),
    ),
  }),
  { maxLength: 30 },
);

const bendsLog = (bends: { wait: number; bend: Bend }[]): RunEventDraft[] => {
  let offset = 0;
  return log(
    ...bends.map(({ wait, bend }): [number, Bend] => {
      offset += wait;
      return [offset, bend];
    }),
  );
};

describe('every run', () => {
  const small = anyPlan.filter((plan) => compile(plan, LIBRARY_BOOK).steps.length < 80);

  it('comes out the same whatever chunks its events arrive in', () => {
    fc.assert(
      fc.property(small, anyBends, fc.nat(30), fc.nat(100_000), (plan, bends, cut, after) => {
        const score = compile(plan, LIBRARY_BOOK);
        const events = bendsLog(bends);
        const now = (events.at(-1)?.at ?? T0) + after;
        const whole = position(score, events, now);
        const first = replay(ready(score), events.slice(0, cut));
        expect(advance(replay(first, events.slice(cut)), now)).toEqual(whole);
      }),
      { numRuns: Math.min(RUNS, 300) },
    );
  });

  it('does not mind how often it is looked at in between', () => {
    fc.assert(
      fc.property(small, anyBends, fc.array(fc.nat(60_000)), (plan, bends, looks) => {
        const score = compile(plan, LIBRARY_BOOK);
        let once: Playback = replay(ready(score), bendsLog(bends));
        const end = once.at + 60_000;
        const straight = advance(once, end);
        for (const look of [...looks].sort((a, b) => a - b)) {
          once = advance(once, Math.max(once.at, end - 60_000 + look));
        }
        expect(advance(once, end)).toEqual(straight);
      }),
      { numRuns: Math.min(RUNS, 300) },
    );
  });

  it('runs exactly as long as planned, plus what it was paused and lengthened', () => {
    fc.assert(
      fc.property(small, fc.nat(90_000), fc.nat(60_000), fc.nat(50_000), (plan, t, pause, ms) => {
        const score = compile(plan, LIBRARY_BOOK);
        if (t >= score.totalMs) return;
        const events = log(
          [t, { type: 'extended', ms: ms + 1 }],
          [t, 'paused'],
          [t + pause, 'resumed'],
        );
        const state = position(score, events, T0 + t + pause);
        const total = state.queue.reduce((sum, p) => sum + playLengthMs(p), 0);
        expect(position(score, events, T0 + 10 ** 8).endedAt).toBe(T0 + total + pause);
        expect(t + remainingMs(state)).toBe(total);
      }),
      { numRuns: Math.min(RUNS, 300) },
    );
  });
});
