import { LIBRARY_BOOK, libraryMove } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { anyBends, eventsOf, type Scores, scoresOf, T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  arrangeBlock,
  blocksOf,
  groupSegments,
  muteCue,
  type Plan,
  placedSegments,
  updateSegment,
} from '@/core/class';
import { type Move, variantText } from '@/core/move';
import { QUESTIONS, type Score, type Side } from '@/core/score';
import {
  advance,
  apply,
  cuesAhead,
  cuesByStep,
  MOST_ROUNDS,
  type NewRunEvent,
  type Playback,
  type PlayStep,
  playLengthMs,
  position,
  ready,
  replay,
  replayer,
} from '.';

type What = { type: NewRunEvent['type']; ms?: number; stepId?: string; intoMs?: number };
const log = (...bends: [offsetMs: number, what: What][]): NewRunEvent[] =>
  [[0, { type: 'started' }] as [number, What], ...bends].map(
    ([offset, what], i) => ({ id: eventId(i), at: T0 + offset, ...what }) as NewRunEvent,
  );

const step = (score: Score, id: string) => {
  const found = score.steps.find((s) => s.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};
/** Upbeats and switches that name another side than the work after them has, in words. */
function misled({ queue }: Playback, { score, easier }: Scores): string[] {
  const groups = cuesByStep(score, easier);
  return queue.flatMap((p, i) => {
    const work = queue[i + 1];
    if (work?.step.kind !== 'work') return [];
    return (groups[p.planned] ?? []).flatMap(({ kind, text, language }) => {
      if (kind !== 'side') return [];
      const { firstSide, otherSide, oneSide, evenOut, sameWay } = LIBRARY_BOOK.phrases(language);
      const trueOf: Record<Side, readonly string[]> = {
        left: [firstSide.each, oneSide.left, evenOut.left],
        right: [otherSide.each, oneSide.right, evenOut.right],
        one: [firstSide.directions, evenOut.one],
        other: [otherSide.directions, evenOut.other, sameWay],
        both: [],
        alternating: [],
      };
      return trueOf[work.step.side].includes(text) ? [] : [`${p.key}: ${text} ${work.key}`];
    });
  });
}

/** To the beginning of a turn. */
const jump = (turn: string): What => ({ type: 'jumped', stepId: `${turn}.upbeat` });
const now = (state: Playback): PlayStep => {
  const part = state.queue[state.index];
  if (!part) throw new Error('the run stands nowhere');
  return part;
};
const upTo = ({ score, easier }: Scores, events: NewRunEvent[], at: number) =>
  position(score, events, T0 + at, easier);

/** Rounds in which one side has more than the other, in words. */
function unequal({ queue }: Playback): string[] {
  const work = new Map<string, Map<string, number>>();
  for (const p of queue) {
    const { kind, side, segmentId, round } = p.step;
    if (kind !== 'work' || side === 'both' || side === 'alternating') continue;
    const key = `${segmentId} round ${round}`;
    const sides = work.get(key) ?? new Map<string, number>();
    sides.set(side, (sides.get(side) ?? 0) + playLengthMs(p));
    work.set(key, sides);
  }
  return [...work].flatMap(([key, sides]) => {
    const lengths = [...sides.values()];
    return sides.size === 2 && new Set(lengths).size === 1 ? [] : [`${key}: ${[...sides]}`];
  });
}

const neck = scoresOf(
  planOf([{ move: 'chin-over-shoulder', rounds: 2 }, { move: 'soft-jaw-drop' }]),
);
const left = step(neck.score, 's1.1.work.left');
const right = step(neck.score, 's1.1.work.right');

describe('both sides', () => {
  it('stay equal when the second is made longer: the first comes once more, and says so', () => {
    const events = log([right.startMs + 1000, { type: 'extended', ms: 10_000 }]);
    const state = upTo(neck, events, right.startMs + 1000);
    expect(unequal(state)).toEqual([]);
    const put = state.queue.filter((p) => p.put === 'even');
    expect(put.map((p) => [p.step.kind, p.step.side])).toEqual([
      ['switch', 'left'],
      ['work', 'left'],
    ]);
    // The work is breathed as before; nobody is paced while they change sides.
    expect(put.map((p) => p.step.breath !== undefined)).toEqual([false, true]);
    const groups = cuesByStep(neck.score, neck.easier);
    const said = cuesAhead(state, groups, 60_000).map((d) => d.cue.text);
    expect(said).toContain('And the left, to make it even.');
  });

  it('stay equal when it is said in the switch, and when it is said three times', () => {
    const change = step(neck.score, 's1.1.switch');
    const longer: What = { type: 'extended', ms: 10_000 };
    const events = log(
      [change.startMs + 100, longer],
      [change.startMs + 200, longer],
      [change.startMs + 300, longer],
    );
    const state = upTo(neck, events, change.startMs + 300);
    expect(unequal(state)).toEqual([]);
    const even = state.queue.filter((p) => p.put === 'even' && p.step.kind === 'work');
    expect(even.map(playLengthMs)).toEqual([30_000]);
  });

  it('keep the bends of before in the easier version', () => {
    const events = log(
      [left.startMs + 1000, { type: 'extended', ms: 10_000 }],
      [right.startMs + 11_000, { type: 'eased' }],
    );
    const state = upTo(neck, events, right.startMs + 11_000);
    const lengths = state.queue
      .filter((p) => p.step.kind === 'work' && p.step.segmentId === 's1' && p.step.round === 1)
      .map((p) => [p.step.side, p.step.variant ?? 'as usual', playLengthMs(p)]);
    expect(lengths).toEqual([
      ['left', 'easier', left.durationMs + 10_000],
      ['right', 'easier', left.durationMs + 10_000],
    ]);
  });

  it('are finished as they were begun where the easier version shares them in another way', () => {
    const like = libraryMove('gaze-far-holds') as Move;
    const own: Move = { ...like, id: 'gaze-at-ease', variants: { easier: { sides: 'together' } } };
    const book = {
      ...LIBRARY_BOOK,
      move: (id: string) => (id === own.id ? own : LIBRARY_BOOK.move(id)),
    };
    const plan = updateSegment(planOf([{ move: like.id, rounds: 2 }]), 's1', (s) => ({
      ...s,
      move: own.id,
    }));
    const scores = scoresOf(plan, book);
    const at = step(scores.score, 's1.1.work.right').startMs + 500;
    const state = upTo(scores, log([at, { type: 'eased' }]), at);
    const work = state.queue.filter((p) => p.step.kind === 'work');
    expect(work.map((p) => `${p.step.round} ${p.step.side}`)).toEqual([
      '1 left',
      '1 right',
      '2 both',
    ]);
  });

  it('are equal, and said as they are worked, after any bends of any class in any version', () => {
    fc.assert(
      fc.property(
        smallPlan(80),
        anyBends,
        fc.nat(60_000),
        fc.nat(9000),
        (plan, bends, after, ms) => {
          const scores = scoresOf(plan);
          const events = eventsOf(bends, scores.score);
          let state = replay(ready(scores.score, scores.easier), events);
          expect(unequal(state)).toEqual([]);
          expect(misled(state, scores)).toEqual([]);
          expect(new Set(state.queue.map((p) => p.key)).size).toBe(state.queue.length);
          // A trim that was worked out elsewhere, for another moment, does no harm either.
          const cuts = state.queue.flatMap(({ key }, i) => (i % 3 ? [{ key, ms: ms + 1 }] : []));
          const dropped = state.queue.flatMap(({ key }, i) => (i % 4 ? [] : [key]));
          const at = state.at + after;
          state = apply(state, { id: eventId(999), at, type: 'trimmed', cuts, dropped });
          expect(unequal(state)).toEqual([]);
          expect(misled(state, scores)).toEqual([]);
          for (const p of state.queue) expect(playLengthMs(p)).toBeGreaterThanOrEqual(0);
        },
      ),
      { numRuns: RUNS },
    );
  });
});

describe('the easier version', () => {
  const oneSideFirst = (plan: Plan) =>
    arrangeBlock(plan, blocksOf(plan)[0]?.id ?? '', { oneSideFirst: true });
  const sideBySide = (plan: Plan) => {
    const each = placedSegments(plan).reduce(
      (of, { segment }) => updateSegment(of, segment.id, (s) => ({ ...s, sides: 'each' })),
      plan,
    );
    return blocksOf(each).reduce(
      (of, { id }) => arrangeBlock(of, id, { oneSideFirst: true }),
      each,
    );
  };
  const neckPlan = planOf([{ move: 'chin-over-shoulder', rounds: 2 }]);
  const neckSetup = variantText(libraryMove('chin-over-shoulder') as Move, 'en', 'easier').setup;
  /** What leads into the work after a class was made easier, besides its count-in. */
  const ledInto = (scores: Scores, state: Playback): string[] =>
    (cuesByStep(scores.score, scores.easier)[now(state).planned] ?? []).flatMap((cue) =>
      cue.kind === 'countIn' ? [] : cue.text,
    );
  const easedAt = (scores: Scores, at: number, ...before: [number, What][]) =>
    ledInto(scores, upTo(scores, log(...before, [at, { type: 'eased' }]), at));

  it('is led into on the side that the room is on, and explained in full', () => {
    const scores = scoresOf(oneSideFirst(neckPlan));
    const name = 'Chin over the shoulder.';
    const at = (id: string) => step(scores.score, id).startMs + 500;
    expect(easedAt(scores, at('s1.1r.work.right'))).toEqual([name, 'Now the right.', ...neckSetup]);
    expect(easedAt(scores, at('s1.2.work.left'))).toEqual([
      name,
      'On the left again.',
      ...neckSetup,
    ]);
    const bySide = scoresOf(neckPlan);
    const second = step(bySide.score, 's1.2.work.right').startMs + 500;
    expect(easedAt(bySide, second)).toEqual([name, 'Let go. Now the right.', ...neckSetup]);
  });

  it('says how much comes before the first round only, where it is true', () => {
    const scores = scoresOf(neckPlan);
    const said = easedAt(scores, step(scores.score, 's1.1.work.left').startMs + 500);
    expect(said.slice(0, -1)).toEqual(['Chin over the shoulder.', 'Left first.', ...neckSetup]);
    expect(said.at(-1)).toMatch(/^2 rounds/);
    const added = step(scores.score, 's1.2.work.left').startMs + 500;
    const one = easedAt(
      scores,
      added + 8000,
      [added, { type: 'roundAdded' }],
      [added, jump('s1.3')],
    );
    expect(one).toEqual(['Chin over the shoulder.', 'Left first.', ...neckSetup]);
  });

  it('turns nobody round who has turned already', () => {
    const scores = scoresOf(planOf([{ move: 'temple-points', rounds: 1 }]));
    const change = step(scores.score, 's1.1.switch').startMs;
    const work = step(scores.score, 's1.1.work.other').startMs;
    expect(easedAt(scores, change + 100)).toContain('Let go. Now the other way.');
    expect(easedAt(scores, work + 100)).toContain('Let go. The same way again.');
  });

  it('keeps each side on its side when it is asked for on one and then on the other', () => {
    const scores = scoresOf(oneSideFirst(neckPlan));
    const at = step(scores.score, 's1.1r.work.right').startMs + 500;
    const events = log([at, { type: 'eased' }], [at, jump('s1.1')], [at, { type: 'eased' }]);
    const work = upTo(scores, events, at).queue.filter((p) => p.step.kind === 'work');
    expect(work.map((p) => `${p.step.round} ${p.step.side} ${p.step.variant}`)).toEqual(
      ['1 left', '2 left', '1 right', '2 right'].map((of) => `${of} easier`),
    );
  });

  it('goes on in runs from before it was explained on each side, and never on another side', () => {
    const scores = scoresOf(oneSideFirst(neckPlan));
    const { spares: _, ...easier } = scores.easier;
    const before = { ...scores, easier };
    const at = (id: string) => step(scores.score, id).startMs + 500;
    expect(easedAt(before, at('s1.1r.work.right'))).toContain('Now the right.');
    expect(easedAt(before, at('s1.2.work.left'))).toEqual(expect.arrayContaining(neckSetup));
  });

  it('names the side that is worked, and keeps both equal, wherever it is asked for', () => {
    const places = fc.array(
      fc.tuple(fc.double({ min: 0, max: 0.999, noNaN: true }), fc.nat(60_000)),
      {
        minLength: 1,
        maxLength: 3,
      },
    );
    fc.assert(
      fc.property(smallPlan(80), fc.boolean(), places, (any, bySide, all) => {
        const scores = scoresOf(bySide ? sideBySide(any) : any);
        const bends = all.flatMap(([share, wait]) => [
          { wait: 0, bend: { type: 'jumpedTo' as const, share } },
          { wait, bend: { type: 'eased' as const } },
        ]);
        const state = replay(ready(scores.score, scores.easier), eventsOf(bends, scores.score));
        expect(misled(state, scores)).toEqual([]);
        expect(unequal(state)).toEqual([]);
      }),
      { numRuns: RUNS },
    );
  });
});

describe('a round that is added', () => {
  const texts = (state: Playback, scores: Scores, ms = 200_000) =>
    cuesAhead(state, cuesByStep(scores.score, scores.easier), ms).map((d) => d.cue.text);

  it('says that it is one more, and explains nothing again', () => {
    const scores = scoresOf(planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]));
    const work = step(scores.score, 's1.1.work.both');
    const state = upTo(scores, log([work.startMs, { type: 'roundAdded' }]), work.startMs);
    const said = texts(state, scores);
    expect(said.filter((t) => /round/i.test(t))).toEqual(['One more round.']);
    const setup = libraryMove('tall-o-cheek-lift')?.text.en?.setup ?? [];
    expect(said.filter((t) => setup.includes(t))).toEqual([]);
  });

  const bySide = () => {
    const plan = groupSegments(
      planOf([
        { move: 'chin-over-shoulder', rounds: 1 },
        { move: 'side-lean-with-hand', rounds: 1 },
      ]),
      ['s1', 's2'],
      'straight',
    );
    const [block] = plan.phases.warmUp;
    return scoresOf(arrangeBlock(plan, block?.id ?? '', { oneSideFirst: true }) as Plan);
  };

  it('comes on each side in an order by side, under a key of its own', () => {
    const scores = bySide();
    const at = step(scores.score, 's1.1.work.left').startMs + 10;
    const state = upTo(scores, log([at, { type: 'roundAdded' }]), at);
    const order = state.queue.filter((p) => p.step.kind === 'work').map((p) => p.key);
    expect(order).toEqual([
      's1.1.work.left',
      's1.2.work.left',
      's2.1.work.left',
      's1.1r.work.right',
      's1.2r.work.right',
      's2.1r.work.right',
    ]);
    const jump = log(
      [at, { type: 'roundAdded' }],
      [at + 10, { type: 'jumped', stepId: 's1.2r.upbeat' }],
    );
    const there = upTo(scores, jump, at + 60_000);
    expect(there.queue.slice(0, there.index + 1).map((p) => p.key)).toContain('s1.2r.upbeat');
    expect(now(upTo(scores, jump, at + 3000)).step.side).not.toBe('left');
  });

  it('gives the side that is over its round as well', () => {
    const scores = bySide();
    const at = step(scores.score, 's1.1r.work.right').startMs + 10;
    const state = upTo(scores, log([at, { type: 'roundAdded' }]), at);
    expect(unequal(state)).toEqual([]);
    const order = state.queue.slice(state.index).filter((p) => p.step.kind === 'work');
    expect(order.map((p) => p.key)).toEqual([
      's1.1r.work.right',
      's1.2.work.left',
      's1.2r.work.right',
      's2.1r.work.right',
    ]);
  });

  it('is still one more when the class is eased', () => {
    const scores = scoresOf(planOf([{ move: 'tall-o-cheek-lift', rounds: 2 }]));
    const work = step(scores.score, 's1.1.work.both');
    const events = log([work.startMs, { type: 'roundAdded' }], [work.startMs, { type: 'eased' }]);
    const said = texts(upTo(scores, events, work.startMs), scores, 400_000);
    expect(said.filter((t) => /^(round|last round|one more)/i.test(t))).toEqual([
      'Round 2.',
      'One more round.',
    ]);
  });

  it('is none in the questions, and none past the most there can be', () => {
    const plan = planOf([{ move: 'soft-jaw-drop', rounds: 1 }], { closingSeconds: 60 });
    const scores = scoresOf(plan);
    const end = step(scores.score, QUESTIONS).startMs + 5;
    const asked = upTo(scores, log([end, { type: 'roundAdded' }]), end);
    expect(asked.queue).toHaveLength(scores.score.steps.length);
    const many = Array.from({ length: 40 }, (): [number, What] => [10, { type: 'roundAdded' }]);
    const work = upTo(scores, log(...many), 10).queue.filter((p) => p.step.kind === 'work');
    expect(work).toHaveLength(MOST_ROUNDS);
  });
});

describe('a move that nothing leads into', () => {
  // Its announcement and dose are muted, it goes by names, and nobody counts in.
  const plan = planOf([{ move: 'folded-lip-press', rounds: 1 }, { move: 'soft-jaw-drop' }], {
    countIn: false,
    explain: 'names-only',
  });
  const scores = scoresOf(
    updateSegment(plan, 's2', (s) => muteCue(muteCue(s, 'announce'), 'dose')),
  );
  const work = step(scores.score, 's2.1.work.both');

  it.each<[string, What]>([
    ['is begun again', { type: 'again' }],
    ['is made easier', { type: 'eased' }],
  ])('%s where its own work begins, not with the move before', (_, what) => {
    expect(scores.score.steps.some((s) => s.id === 's2.1.upbeat')).toBe(false);
    const at = work.startMs + 4000;
    const state = upTo(scores, log([at, what]), at);
    expect([now(state).step.id, state.elapsedMs]).toEqual(['s2.1.work.both', 0]);
    const before = state.queue.filter((p) => p.step.segmentId === 's1');
    expect(before.some((p) => p.swapped)).toBe(false);
  });
});

describe('a move that is left in the middle', () => {
  const scores = scoresOf(
    planOf([
      { move: 'folded-lip-press', variant: 'harder', rounds: 1 },
      { move: 'soft-jaw-drop', rounds: 1 },
      { move: 'closing-face-drain' },
    ]),
  );
  const work = step(scores.score, 's1.1.work.both');
  const groups = cuesByStep(scores.score, scores.easier);
  const heard = (state: Playback, ms: number) =>
    cuesAhead(state, groups, ms).map((d) => d.cue.text);

  it.each<[string, What]>([
    ['a jump', { type: 'jumped', stepId: 's3.1.upbeat' }],
    ['a skip', { type: 'skipped' }],
  ])('is let go before %s goes on', (_, what) => {
    const state = upTo(scores, log([work.startMs + 2000, what]), work.startMs + 2000);
    expect(now(state).put).toBe('letGo');
    expect(heard(state, 0)).toEqual(['Chin level, and let the lips flutter.']);
    expect(state.queue[state.index + 1]?.step.kind).toBe('upbeat');
  });

  it('is let go once, and the close begins with its work, however often it is asked for', () => {
    const closing: What = { type: 'closing' };
    const plan = planOf([{ move: 'folded-lip-press', rounds: 1 }, { move: 'closing-word' }], {
      countIn: false,
      explain: 'names-only',
    });
    const quiet = updateSegment(plan, 's2', (s) => muteCue(muteCue(s, 'announce'), 'dose'));
    const inClose = {
      ...quiet,
      phases: { ...quiet.phases, arrive: [], close: quiet.phases.arrive },
    };
    const short = scoresOf(inClose);
    const early = step(short.score, 's1.1.work.both').startMs + 1000;
    const state = upTo(short, log([early, closing], [early, closing]), early);
    expect(now(state).put).toBe('letGo');
    expect(state.queue[state.index + 1]?.key).toBe('s2.1.work.both');
  });

  it('is not let go again when the place is passed once more', () => {
    const jump: What = { type: 'jumped', stepId: 's3.1.upbeat' };
    const back: What = { type: 'jumped', stepId: 's2.1.upbeat' };
    const events = log([work.startMs + 2000, jump], [work.startMs + 20_000, back]);
    const state = upTo(scores, events, work.startMs + 20_000);
    expect(state.queue.filter((p) => p.put === 'letGo' && p.step.segmentId === 's1')).toEqual([]);
  });

  it('is not let go on the way back to where the class stood a moment ago', () => {
    const slept: What = { type: 'jumped', stepId: 's2.1.work.both', intoMs: 500 };
    const state = upTo(scores, log([work.startMs + 2000, slept]), work.startMs + 2000);
    expect([now(state).key, state.elapsedMs]).toEqual(['s2.1.work.both', 500]);
  });

  it('is let go as itself, never as a move that nobody did, in any run', () => {
    fc.assert(
      fc.property(smallPlan(60), anyBends, (plan, bends) => {
        const any = scoresOf(plan);
        let state = ready(any.score, any.easier);
        let worked: string | null = null;
        /** What people do from now on; a let-go is heard where its step begins. */
        const meet = (part: PlayStep | undefined, { begins }: { begins: boolean }) => {
          if (part?.step.kind === 'work') worked = part.step.segmentId;
          else if (part?.letGoMs !== undefined && begins) {
            expect(part.step.segmentId).toBe(worked);
          }
        };
        const passing = (before: Playback) => {
          const [begun, elapsed] = [before.queue[before.index], before.elapsedMs];
          return ({ part }: { part: PlayStep }) =>
            meet(part, { begins: part !== begun || elapsed === 0 });
        };
        for (const event of eventsOf(bends, any.score)) {
          state = apply(state, event, passing(state));
          // A class that was sent to its end stands at its last step without playing it.
          if (state.status !== 'over') meet(now(state), { begins: state.elapsedMs === 0 });
        }
        advance(state, state.at + 10 ** 7, passing(state));
      }),
      { numRuns: Math.min(RUNS, 400) },
    );
  });
});

describe('listening', () => {
  it('hears every cue of a class that nobody bends, at its time, and none over another', () => {
    fc.assert(
      fc.property(smallPlan(60), fc.integer({ min: 50, max: 900 }), (plan, everyMs) => {
        const { score, easier } = scoresOf(plan);
        const groups = cuesByStep(score, easier);
        let state = apply(ready(score, easier), log()[0] as NewRunEvent);
        const said = new Map<string, { at: number; ms: number }>();
        // As the stage does: it looks now and then, and asks for what begins until it looks again.
        while (state.status === 'running') {
          for (const { key, cue, at } of cuesAhead(state, groups, everyMs)) {
            said.set(key, { at: at - T0, ms: cue.durationMs });
          }
          state = advance(state, state.at + everyMs);
        }
        const times = [...said.values()].sort((a, b) => a.at - b.at);
        expect(times.map((t) => t.at)).toEqual(score.cues.map((c) => c.startMs));
        times.forEach(({ at }, i) => {
          const before = times[i - 1];
          if (before) expect(at).toBeGreaterThanOrEqual(before.at + before.ms);
        });
      }),
      { numRuns: Math.min(RUNS, 250) },
    );
  });
});

describe('a log', () => {
  it('counts an event that came twice once', () => {
    const events = log([left.startMs, { type: 'extended', ms: 10_000 }]);
    const twice = [...events, events.at(-1) as NewRunEvent];
    expect(upTo(neck, twice, left.startMs + 5)).toEqual(upTo(neck, events, left.startMs + 5));
  });

  it('that grows is replayed from where it was, and comes out the same', () => {
    fc.assert(
      fc.property(smallPlan(60), anyBends, fc.array(fc.nat(30)), (plan, bends, cuts) => {
        const { score, easier } = scoresOf(plan);
        const events = eventsOf(bends, score);
        const replayed = replayer(ready(score, easier));
        // What is waiting to be sent may be taken back, so a log may also get shorter.
        for (const cut of [...cuts, events.length]) {
          const known = events.slice(0, cut);
          expect(replayed(known)).toEqual(replay(ready(score, easier), known));
        }
      }),
      { numRuns: Math.min(RUNS, 150) },
    );
  });
});
