import { LIBRARY_BOOK } from '@library';
import { eventId, planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { resolve, withEasier } from '@/core/class';
import { compile } from '@/core/score';
import { type NewRunEvent, spent, TALK_CLASSES, talkingFactor, talkOf } from '.';

const T0 = 1_790_000_000_000;
const plan = planOf([
  { move: 'chin-over-shoulder', rounds: 2 },
  { move: 'tall-o-cheek-lift', rounds: 2 },
]);
const easier = compile(withEasier(resolve(plan, LIBRARY_BOOK)), LIBRARY_BOOK);
const led = (factor: number, ...bends: [offset: number, bend: object][]) => {
  const score = compile(plan, LIBRARY_BOOK, { talkingFactor: factor });
  const all = [[0, { type: 'started' }] as const, ...bends];
  const events = all.map(
    ([offset, bend], i) => ({ id: eventId(i), at: T0 + offset, ...bend }) as NewRunEvent,
  );
  return talkOf(score, spent(score, events, T0 + 10 ** 8, easier), easier);
};

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

  it('counts the cues of the easier version where it was led', () => {
    const eased = led(1, [1000, { type: 'eased' }]);
    expect(eased.cuesMs).toBeGreaterThan(0);
    expect(eased.takenMs / eased.cuesMs).toBeGreaterThan(0.8);
  });
});

describe('the talking factor', () => {
  const sample = (factor: number) => ({ cuesMs: 240_000, takenMs: 240_000 * factor });

  it('is 1 before anything was led, and for who keeps to the cues or cuts them short', () => {
    expect(talkingFactor([])).toBe(1);
    expect(talkingFactor([sample(1), sample(0.7)])).toBe(1);
  });

  it('comes nearer to how the teacher talks with every class', () => {
    const factorAfter = (n: number) => talkingFactor(Array.from({ length: n }, () => sample(1.4)));
    expect(factorAfter(1)).toBeGreaterThan(1.1);
    expect(factorAfter(1)).toBeLessThan(factorAfter(3));
    expect(factorAfter(TALK_CLASSES)).toBeCloseTo(1.37, 2);
  });

  it('stays within 2', () => expect(talkingFactor([sample(3), sample(3), sample(3)])).toBe(2));
});
