import { LIBRARY_BOOK } from '@library';
import { eventId, planOf } from '@testing/plans';
import { easierOf } from '@testing/runs';
import { talked } from '@testing/talk';
import { describe, expect, it } from 'vitest';
import type { Say } from '@/core/class';
import { CUE_GAP_MS, type Cue, compile, type Score } from '@/core/score';
import { type NewRunEvent, spent, TALK_CLASSES, talkingFactor, talkOf, tooMuchSaid } from '.';

const T0 = 1_790_000_000_000;
const plan = planOf([
  { move: 'chin-over-shoulder', rounds: 2 },
  { move: 'tall-o-cheek-lift', rounds: 2 },
]);
const easier = easierOf(plan);
const talkIn = (score: Score, bends: readonly [offset: number, bend: object][]) => {
  const all = [[0, { type: 'started' }] as const, ...bends];
  const events = all.map(
    ([offset, bend], i) => ({ id: eventId(i), at: T0 + offset, ...bend }) as NewRunEvent,
  );
  return talkOf(score, spent(score, events, T0 + 10 ** 8, easier), easier);
};
const led = (factor: number, ...bends: [offset: number, bend: object][]) =>
  talkIn(compile(plan, LIBRARY_BOOK, { talkingFactor: factor }), bends);

describe('how a teacher talks', () => {
  it.each([1, 1.25, 2])('is as planned where nothing was bent, planned at %f', (factor) => {
    const { cuesMs, takenMs } = led(factor);
    expect(cuesMs).toBeGreaterThan(10_000);
    expect(takenMs / cuesMs).toBeCloseTo(factor, 2);
  });

  it('grows by what the class stood still in an upbeat, and not by other pauses', () => {
    const plain = led(1);
    const upbeat = led(1, [2000, { type: 'paused' }], [6000, { type: 'resumed' }]);
    expect(upbeat.takenMs - plain.takenMs).toBe(4000);
    const { steps } = compile(plan, LIBRARY_BOOK);
    const work = (steps.find((s) => s.kind === 'work')?.startMs ?? 0) + 500;
    expect(led(1, [work, { type: 'paused' }], [work + 9000, { type: 'resumed' }])).toEqual(plain);
  });

  it('grows when a move is explained again', () => {
    const again = led(1, [4000, { type: 'again' }]);
    expect(again.takenMs - led(1).takenMs).toBe(4000);
  });

  it('is not told by an upbeat that was left before its last cue was heard', () => {
    const [plain, skipped] = [led(1.25), led(1.25, [3000, { type: 'next' }])];
    expect(skipped.cuesMs).toBeLessThan(plain.cuesMs);
    expect(skipped.takenMs / skipped.cuesMs).toBeCloseTo(1.25, 1);
    const first = compile(plan, LIBRARY_BOOK).cues.filter((c) => c.step === 0);
    const said = first.filter((c) => c.kind !== 'countIn').at(-1);
    const heard = led(1.25, [(said?.offsetMs ?? 0) + (said?.durationMs ?? 0), { type: 'next' }]);
    expect(heard.cuesMs).toBe(plain.cuesMs);
    expect(heard.takenMs).toBeLessThan(plain.takenMs);
  });

  it('is never said to have taken less than its cues, however much is skipped', () => {
    const nexts = Array.from({ length: 40 }, (_, i) => [2000 * (i + 1), { type: 'next' }] as const);
    const { cuesMs, takenMs } = led(1, ...nexts.map(([at, bend]): [number, object] => [at, bend]));
    expect(takenMs).toBeGreaterThanOrEqual(cuesMs);
  });

  it('takes a long interruption for no more than three times the talk', () => {
    const plain = led(1);
    const fetched = led(1, [2000, { type: 'paused' }], [900_000, { type: 'resumed' }]);
    expect(fetched.takenMs).toBeLessThan(plain.takenMs + 2 * plain.cuesMs);
  });

  it('does not count what is not said, since less comes than was planned', () => {
    const { cues, steps } = compile(plan, LIBRARY_BOOK);
    const upbeat = steps.findIndex((s) => s.id === 's2.1.upbeat');
    const dose = cues.find((c) => c.kind === 'dose' && c.step === upbeat)?.durationMs ?? 0;
    const cuts = [{ key: 's2.1.work.both', ms: 5000 }];
    const less = led(1, [10, { type: 'trimmed', cuts, dropped: [] }]);
    expect(led(1).cuesMs - less.cuesMs).toBe(dose + CUE_GAP_MS);
    expect(less.takenMs).toBeCloseTo(less.cuesMs, -1);
  });

  it('counts the cues of the easier version where it was led', () => {
    const eased = led(1, [1000, { type: 'eased' }]);
    expect(eased.cuesMs).toBeGreaterThan(0);
    expect(eased.takenMs / eased.cuesMs).toBeGreaterThan(0.8);
  });
});

describe('what a teacher leaves out', () => {
  const upbeats = compile(plan, LIBRARY_BOOK).cues.filter((c) => c.step === 0);
  const said = upbeats.filter((c) => c.kind !== 'countIn');
  const [first] = said;
  const lengthOf = (cues: readonly Cue[]) =>
    cues.reduce((sum, c) => sum + c.durationMs + CUE_GAP_MS, 0);

  it('is what was not said when they went on, where the work was done', () => {
    expect(led(1).leftOutMs).toBe(0);
    const afterFirst = (first?.durationMs ?? 0) + 100;
    const skipped = led(1, [afterFirst, { type: 'next' }]);
    expect(skipped.leftOutMs).toBe(lengthOf(said.slice(1)));
    expect(skipped.offeredMs).toBe(led(1).offeredMs);
    expect(skipped.offeredMs - skipped.cuesMs).toBe(lengthOf(said));
  });

  it('is nothing where a move was skipped whole', () => {
    const whole = led(1, [1000, { type: 'next' }], [1000, { type: 'next' }]);
    expect(whole.leftOutMs).toBe(0);
    expect(whole.offeredMs).toBeLessThan(led(1).offeredMs);
  });
});

describe('a teacher who says the words', () => {
  const own = (factor: number, ...bends: [offset: number, bend: object][]) => {
    const score = compile(plan, LIBRARY_BOOK, { talkingFactor: factor });
    return talkIn({ ...score, words: { say: 'short', self: true } }, bends);
  };
  const firstUpbeat = compile(plan, LIBRARY_BOOK).steps[0]?.durationMs ?? 0;

  it.each([0.6, 0.85, 1, 1.4])('is as planned where nothing was bent, planned at %f', (factor) => {
    const { cuesMs, takenMs, say, self } = own(factor);
    expect(cuesMs).toBeGreaterThan(led(1).cuesMs - 20);
    expect(takenMs / cuesMs).toBeGreaterThan(factor - 0.001);
    // What lies between two cues is as long as ever.
    expect(takenMs / cuesMs).toBeLessThan(factor + 0.05);
    expect({ say, self }).toEqual({ say: 'short', self: true });
  });

  it('takes less when they go on early, by as much', () => {
    const early = own(1, [firstUpbeat - 3000, { type: 'next' }]);
    expect(own(1).takenMs - early.takenMs).toBe(3000);
    expect(early.cuesMs).toBe(own(1).cuesMs);
    expect(early.leftOutMs).toBe(3000);
  });

  it('is taken for no quicker than twice as quick', () => {
    const { cuesMs, takenMs } = own(1, [500, { type: 'next' }]);
    expect(takenMs).toBeGreaterThanOrEqual(cuesMs / 2);
  });
});

describe('the talking factor', () => {
  const voice = { say: 'all', self: false } as const;

  it('is 1 before anything was led, and for who keeps to the cues', () => {
    expect(talkingFactor([], voice)).toBe(1);
    expect(talkingFactor([talked(1), talked(1)], voice)).toBe(1);
  });

  it('comes nearer to how the teacher talks with every class', () => {
    const factorAfter = (n: number) =>
      talkingFactor(
        Array.from({ length: n }, () => talked(1.4)),
        voice,
      );
    expect(factorAfter(1)).toBeGreaterThan(1.1);
    expect(factorAfter(1)).toBeLessThan(factorAfter(3));
    expect(factorAfter(TALK_CLASSES)).toBeCloseTo(1.37, 2);
    expect(factorAfter(TALK_CLASSES + 5)).toBe(factorAfter(TALK_CLASSES));
  });

  it('stays within 2', () =>
    expect(talkingFactor([talked(3), talked(3), talked(3)], voice)).toBe(2));

  it('is below 1 only for who says the words themselves, in classes that say less than all', () => {
    const quick = Array.from({ length: 9 }, () => talked(0.7, { say: 'short', self: true }));
    expect(talkingFactor(quick, { say: 'short', self: true })).toBeCloseTo(0.72, 2);
    expect(talkingFactor(quick, { say: 'names', self: true })).toBeCloseTo(0.72, 2);
    expect(talkingFactor(quick, { say: 'all', self: true })).toBe(1);
    expect(talkingFactor(quick, { say: 'short', self: false })).toBe(1);
    const inFull = quick.map((s) => ({ ...s, say: 'all' as const }));
    expect(talkingFactor(inFull, { say: 'all', self: true })).toBe(1);
    expect(talkingFactor(inFull, { say: 'short', self: true })).toBe(1);
    const rushed = quick.map((s) => ({ ...s, takenMs: 1 }));
    expect(talkingFactor(rushed, { say: 'short', self: true })).toBe(0.6);
  });
});

describe('saying less', () => {
  const skips = (share: number, say: Say = 'all') =>
    talked(1, { say, leftOutMs: Math.round(240_000 * share) });

  it('is proposed after three classes of which a quarter was left out, one step at a time', () => {
    expect(tooMuchSaid([skips(0.5), skips(0.5)], 'all')).toBeNull();
    expect(tooMuchSaid([skips(0.2), skips(0.2), skips(0.3)], 'all')).toBeNull();
    expect(tooMuchSaid([skips(0.2), skips(0.3), skips(0.25)], 'all')).toEqual({
      share: 0.25,
      classes: 3,
      instead: 'short',
    });
    const short = [skips(0.4, 'short'), skips(0.4, 'short'), skips(0.4, 'short')];
    expect(tooMuchSaid(short, 'all')).toBeNull();
    expect(tooMuchSaid(short, 'short')?.instead).toBe('names');
    expect(tooMuchSaid([skips(0.9, 'names')], 'names')).toBeNull();
  });

  it('forgets what was long ago', () => {
    const now = Array.from({ length: TALK_CLASSES }, () => skips(0));
    expect(tooMuchSaid([...now, skips(1), skips(1), skips(1)], 'all')).toBeNull();
  });
});
