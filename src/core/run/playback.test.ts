import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { easierOf } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compile, type Score } from '@/core/score';
import {
  advance,
  apply,
  beatsAhead,
  cuesAhead,
  cuesByStep,
  cuesToCome,
  currentCue,
  type NewRunEvent,
  type Playback,
  playLengthMs,
  position,
  type RunEventType,
  ready,
  remainingMs,
  replay,
  SHOWN_MS,
  shownShare,
  spent,
  tonesOf,
  unchangedForMs,
} from '.';

const T0 = 1_790_000_000_000;

interface Bend {
  type: RunEventType;
  ms?: number;
  stepId?: string;
  of?: string;
  /** An undo of the bend so many before the last. */
  before?: number;
}
/** Events at offsets from the start, the first of them the start itself. */
const log = (...bends: [offsetMs: number, bend: Bend | RunEventType][]): NewRunEvent[] =>
  [[0, 'started'] as const, ...bends].map(([offset, bend], i) => ({
    id: eventId(i),
    at: T0 + offset,
    ...(typeof bend === 'string' ? { type: bend } : bend),
  })) as NewRunEvent[];

const twoSided: Score = compile(
  planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift', rounds: 2 }]),
  LIBRARY_BOOK,
);
const at = (score: Score, kind: string, nth = 0) => {
  const step = score.steps.filter((s) => s.kind === kind)[nth];
  if (!step) throw new Error(`no ${kind} ${nth}`);
  return step;
};
const where = (score: Score, events: NewRunEvent[], offset: number) => {
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
    const last = at(twoSided, 'work', 3);
    const end = log([100, { type: 'jumped', stepId: last.id }], [150, 'next'], [200, 'next']);
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

  it('goes back to the start of the step, and to the one before when pressed at once', () => {
    const events = log([work.startMs + 4000, 'back']);
    expect(where(twoSided, events, work.startMs + 4000)).toMatchObject({
      step: work.id,
      elapsed: 0,
    });
    const twice = log([work.startMs + 4000, 'back'], [work.startMs + 4200, 'back']);
    expect(where(twoSided, twice, work.startMs + 4200).step).toBe(at(twoSided, 'upbeat').id);
  });

  it('skips what is left of the block, and from the last one goes to the end', () => {
    const events = log([work.startMs + 10, 'skipped']);
    const { state } = where(twoSided, events, work.startMs + 20);
    const letGo = state.queue[state.index];
    expect(letGo).toMatchObject({ put: 'letGo', step: { segmentId: 's1', kind: 'release' } });
    const after = work.startMs + 10 + (letGo?.step.durationMs ?? 0);
    expect(where(twoSided, events, after + 5).step).toBe(
      twoSided.steps.find((s) => s.segmentId === 's2')?.id,
    );
    const end = log([work.startMs + 10, 'skipped'], [work.startMs + 20, 'skipped']);
    expect(where(twoSided, end, work.startMs + 30).state.status).toBe('over');
  });

  it('shortens the next pause, but not below what is said in it', () => {
    const release = at(twoSided, 'release');
    const events = log([work.startMs, { type: 'restChanged', ms: -60_000 }]);
    const { state } = where(twoSided, events, work.startMs + 10);
    const pause = state.queue.find((p) => p.step.id === release.id);
    const said = twoSided.cues
      .filter((c) => twoSided.steps[c.step]?.id === release.id)
      .map((c) => c.offsetMs + c.durationMs);
    expect(pause && playLengthMs(pause)).toBe(
      Math.min(release.durationMs, Math.max(3000, ...said)),
    );
  });

  it('never makes a running pause shorter than it has already been', () => {
    const release = at(twoSided, 'release');
    const longer = log(
      [release.startMs + 10, { type: 'restChanged', ms: 20_000 }],
      [release.startMs + 15_000, { type: 'restChanged', ms: -20_000 }],
    );
    const { state } = where(twoSided, longer, release.startMs + 15_000);
    expect(playLengthMs(state.queue[state.index] as never)).toBe(15_000);
  });

  it('goes straight to the close', () => {
    const plan = planOf([
      { move: 'tall-o-cheek-lift', rounds: 1 },
      { move: 'chin-over-shoulder' },
      { move: 'closing-face-drain' },
    ]);
    const close = { ...plan, phases: { ...plan.phases, massage: [], close: plan.phases.massage } };
    const score = compile(close, LIBRARY_BOOK);
    const first = score.steps.find((s) => s.phase === 'close');
    expect(where(score, log([500, 'closing']), 600)).toMatchObject({
      step: first?.id,
      elapsed: 100,
    });
    expect(where(twoSided, log([500, 'closing']), 600).elapsed).toBe(600);
  });

  it('leads a jump into a round that nobody has begun to its upbeat', () => {
    for (const into of ['s2.2.release', 's1.1.switch']) {
      const events = log([100, { type: 'jumped', stepId: into }]);
      expect(where(twoSided, events, 150).step).toBe(`${into.slice(0, 4)}.upbeat`);
    }
    const worked = log([work.startMs + 500, { type: 'jumped', stepId: 's1.1.release' }]);
    expect(where(twoSided, worked, work.startMs + 600).step).toBe('s1.1.release');
  });

  it('ignores a jump to a step that is not there', () => {
    const events = log([100, { type: 'jumped', stepId: 'nowhere' }]);
    expect(where(twoSided, events, 200).elapsed).toBe(200);
  });
});

describe('the easier version', () => {
  const plan = planOf([{ move: 'tall-o-cheek-lift', rounds: 2 }, { move: 'closing-face-drain' }]);
  const score = compile(plan, LIBRARY_BOOK);
  const easier = easierOf(plan);
  const work = at(score, 'work');
  const state = position(
    score,
    log([work.startMs + 5000, 'eased']),
    T0 + work.startMs + 5000,
    easier,
  );

  it('leads into the work again and explains it, for every round that is left', () => {
    const now = state.queue[state.index];
    expect(now?.step).toMatchObject({ kind: 'upbeat', round: 1 });
    expect(state.elapsedMs).toBe(0);
    const variants = state.queue
      .filter((p) => p.step.kind === 'work')
      .map((p) => [p.step.segmentId, p.step.variant]);
    expect(variants.filter(([id]) => id === 's1')).toEqual([
      ['s1', 'easier'],
      ['s1', 'easier'],
    ]);
    const groups = cuesByStep(score, easier);
    const said = cuesAhead(state, groups, playLengthMs(now as never)).map((d) => d.cue.text);
    const words = LIBRARY_BOOK.move('tall-o-cheek-lift')?.text.en?.easier?.setup[0];
    expect(said).toContain(words);
  });

  it('changes nothing a second time, or where there is none', () => {
    const again = apply(state, { id: eventId(9), at: state.at, type: 'eased' });
    expect(again.queue).toBe(state.queue);
    const none = position(score, log([work.startMs, 'eased']), T0 + work.startMs);
    expect(none.queue.map((p) => p.key)).toEqual(score.steps.map((s) => s.id));
  });
});

describe('taking a bend back', () => {
  const work = at(twoSided, 'work');
  const undo = (i: number): Bend => ({ type: 'undone', of: eventId(i) });

  it('gives back the place after a bend that moved, with the time since', () => {
    const events = log([work.startMs + 3000, 'next'], [work.startMs + 9000, undo(1)]);
    expect(where(twoSided, events, work.startMs + 9100)).toMatchObject({
      step: work.id,
      elapsed: 3100,
    });
  });

  it('is as if it had never been after a bend that changed lengths', () => {
    const events = log(
      [work.startMs + 3000, { type: 'extended', ms: 10_000 }],
      [work.startMs + 9000, undo(1)],
    );
    expect(where(twoSided, events, work.startMs + 9000)).toMatchObject({
      step: work.id,
      elapsed: 9000,
    });
    expect(remainingMs(where(twoSided, events, work.startMs + 9000).state)).toBe(
      twoSided.totalMs - work.startMs - 9000,
    );
  });

  it('works one bend after the other, the newest first, and only for ten seconds', () => {
    const both = log(
      [work.startMs, 'next'],
      [work.startMs + 1000, 'next'],
      [work.startMs + 2000, undo(2)],
      [work.startMs + 3000, undo(1)],
    );
    expect(where(twoSided, both, work.startMs + 3000).step).toBe(work.id);
    const wrongOne = log(
      [work.startMs, 'next'],
      [work.startMs + 10, 'next'],
      [work.startMs + 20, undo(1)],
    );
    const before = where(twoSided, wrongOne.slice(0, 3), work.startMs + 20);
    expect(where(twoSided, wrongOne, work.startMs + 20).step).toBe(before.step);
    const late = log([work.startMs, 'next'], [work.startMs + 10_001, undo(1)]);
    expect(where(twoSided, late, work.startMs + 10_001).step).not.toBe(work.id);
  });

  it('goes on from a pause, and pauses again from going on', () => {
    const paused = log([2000, 'paused'], [5000, undo(1)]);
    expect(where(twoSided, paused, 5500).elapsed).toBe(2500);
    const resumed = log([2000, 'paused'], [5000, 'resumed'], [6000, undo(2)]);
    const { state, elapsed } = where(twoSided, resumed, 9000);
    expect([state.status, elapsed, state.pausedAt]).toEqual(['paused', 2000, T0 + 6000]);
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

  it('marks as many beats as are to be done, at any tempo, and none more as the work ends', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('counts', 'taps'),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 20, max: 120 }),
        (kind, count, tempo) => {
          const dose =
            kind === 'counts'
              ? { kind: 'counts' as const, counts: count, tempo }
              : { kind: 'taps' as const, taps: count, tempo };
          const plan = planOf([{ move: 'tongue-taps-to-palate', rounds: 1, dose }], {
            counting: 'beat',
          });
          const score = compile(plan, LIBRARY_BOOK);
          const works = score.steps.filter((s) => s.kind === 'work');
          expect(works.length).toBeGreaterThan(0);
          for (const work of works) {
            const tones = [...tonesOf(work, work.durationMs)].map(({ at }) => Math.round(at));
            const wanted = Array.from({ length: count }, (_, n) =>
              Math.round((n * 60_000) / tempo),
            );
            expect(tones).toEqual(wanted);
          }
        },
      ),
    );
  });

  it('a bell is heard as the class begins, early enough before its end to ring out, and around each work', () => {
    const score = twoSided;
    const state = position(score, log(), T0);
    const rings = (bells: 'none' | 'class' | 'moves', of = state, horizon = score.totalMs) =>
      beatsAhead(of, horizon, bells).flatMap((b) => (b.of === 'bell' ? b.at - of.at : []));
    expect(rings('none')).toEqual([]);
    expect(rings('class')).toEqual([0, score.totalMs - 3500]);
    const works = score.steps.filter((s) => s.kind === 'work');
    const around = works.flatMap((s) => [s.startMs, s.startMs + s.durationMs]);
    expect(rings('moves')).toEqual(
      [...new Set([...rings('class'), ...around])].toSorted((a, b) => a - b),
    );
    // A bell that has rung is not heard again, and one that is far off not yet.
    const later = where(score, log(), 1000).state;
    expect(rings('class', later, 1000)).toEqual([]);
  });

  it('how much has passed is shown beside the countdown, never with it, from nothing to all', () => {
    for (const lengthMs of [400, 1000, 4000, 30_000, 7300]) {
      let before = shownShare(0, lengthMs);
      expect(shownShare(0, lengthMs)).toBeLessThanOrEqual(250 / lengthMs);
      for (let ms = 1; ms <= lengthMs; ms++) {
        const share = shownShare(ms, lengthMs);
        expect(Math.abs(share - ms / lengthMs) * lengthMs).toBeLessThan(250.1);
        const left = lengthMs - ms;
        if (share !== before) expect([left % 500, share > before]).toEqual([250, true]);
        before = share;
      }
      expect(before).toBe(1);
    }
  });

  it('change at the moments that are foretold, and so does the countdown', () => {
    const groups = cuesByStep(twoSided);
    const shownAt = (state: Playback) => {
      const p = state.queue[state.index];
      const leftMs = p ? playLengthMs(p) - state.elapsedMs : 0;
      return [p?.key, currentCue(state, groups)?.id, Math.ceil(leftMs / 1000)];
    };
    const begun: string[] = [];
    let state = position(twoSided, log(), T0);
    while (state.status === 'running') {
      const ms = unchangedForMs(state, groups);
      expect(ms).toBeGreaterThan(0);
      expect(ms).toBeLessThanOrEqual(SHOWN_MS);
      const later = advance(state, state.at + ms);
      // The countdown still shows the second that ends at this very instant.
      if (ms > 1)
        expect(shownAt(advance(state, later.at - 1))).toEqual(
          shownAt(advance(state, state.at + 1)),
        );
      state = later;
      const cue = currentCue(state, groups);
      if (cue && state.at - T0 === cue.startMs) begun.push(cue.id);
    }
    const first = twoSided.cues.filter((cue) => cue.startMs === 0).length;
    expect(begun).toEqual(twoSided.cues.slice(first).map((cue) => cue.id));
  });

  it('are looked at beside the countdown where it changes by itself, and with each cue and step', () => {
    const groups = cuesByStep(twoSided);
    const starts = new Set(twoSided.cues.map((cue) => cue.startMs));
    const begun: (string | undefined)[] = [];
    let state = position(twoSided, log(), T0);
    while (state.status === 'running') {
      const before = state.queue[state.index]?.key;
      const ms = unchangedForMs(state, groups, true);
      expect(ms).toBeGreaterThan(0);
      expect(ms).toBeLessThanOrEqual(SHOWN_MS);
      state = advance(state, state.at + ms);
      const p = state.queue[state.index];
      if (p && p.key !== before) begun.push(p.key);
      const leftMs = p ? playLengthMs(p) - state.elapsedMs : 0;
      if (state.status !== 'running') continue;
      if (p?.key === before && !starts.has(state.at - T0)) expect(leftMs % 250).toBe(125);
      if (p && p.key !== before) expect(state.elapsedMs).toBe(0);
    }
    expect(begun).toEqual(state.queue.slice(1).map((p) => p.key));
  });

  it('lists every cue of an undisturbed class once, at its time', () => {
    const begun = apply(ready(twoSided), log()[0] as NewRunEvent);
    const due = cuesAhead(begun, cuesByStep(twoSided), twoSided.totalMs);
    expect(due.map((d) => d.at - T0)).toEqual(twoSided.cues.map((c) => c.startMs));
  });
});

const anyBends = fc.array(
  fc.record({
    wait: fc.oneof(fc.nat(2000), fc.nat(40_000)),
    bend: fc.oneof(
      {
        arbitrary: fc.constantFrom<Bend>(
          { type: 'paused' },
          { type: 'resumed' },
          { type: 'again' },
          { type: 'next' },
          { type: 'roundAdded' },
          { type: 'started' },
          { type: 'back' },
          { type: 'skipped' },
          { type: 'eased' },
          { type: 'closing' },
        ),
        weight: 6,
      },
      fc.integer({ min: -20_000, max: 20_000 }).map((ms): Bend => ({ type: 'restChanged', ms })),
      { arbitrary: fc.nat(2).map((before): Bend => ({ type: 'undone', before })), weight: 3 },
      fc.integer({ min: 1, max: 60_000 }).map((ms): Bend => ({ type: 'extended', ms })),
    ),
  }),
  { maxLength: 30 },
);

const bendsLog = (bends: { wait: number; bend: Bend }[]): NewRunEvent[] => {
  let offset = 0;
  return log(
    ...bends.map(({ wait, bend }, i): [number, Bend] => {
      offset += wait;
      const of = eventId(Math.max(0, i - (bend.before ?? 0)));
      return [offset, bend.type === 'undone' ? { type: 'undone', of } : bend];
    }),
  );
};

describe('every run', () => {
  const small = smallPlan(80);

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

  it('accounts for every millisecond, whatever is done to it', () => {
    const plan = planOf([{ move: 'chin-over-shoulder' }, { move: 'soft-jaw-drop', rounds: 2 }]);
    const score = compile(plan, LIBRARY_BOOK);
    const easier = easierOf(plan);
    fc.assert(
      fc.property(anyBends, fc.nat(200_000), (bends, after) => {
        const events = bendsLog(bends);
        const now = (events.at(-1)?.at ?? T0) + after;
        const done = [...events, { id: eventId(99), at: now, type: 'finished' } as const];
        const end = position(score, done, now, easier);
        const parts = spent(score, done, now, easier);
        const total = parts.reduce((sum, p) => sum + p.ms + p.stoodMs, 0);
        expect(total).toBe((end.endedAt ?? 0) - T0);
        for (const p of end.queue) expect(playLengthMs(p)).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 10 * RUNS },
    );
  });

  it('never says one cue over another, however the steps were cut', () => {
    fc.assert(
      fc.property(small, anyBends, fc.nat(20_000), (plan, bends, ms) => {
        const score = compile(plan, LIBRARY_BOOK);
        let state = replay(ready(score), bendsLog(bends));
        const cuts = state.queue.map(({ key }) => ({ key, ms: ms + 1 }));
        state = apply(state, { id: eventId(98), at: state.at, type: 'trimmed', cuts, dropped: [] });
        const due = [...cuesToCome({ ...state, status: 'running' }, cuesByStep(score))];
        due.forEach(({ at: start }, i) => {
          const before = due[i - 1];
          if (before) expect(start).toBeGreaterThanOrEqual(before.at + before.cue.durationMs);
        });
      }),
      { numRuns: Math.min(RUNS, 80) },
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
