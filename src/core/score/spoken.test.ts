import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { type Block, type Plan, planSchema, type Rules, type Segment } from '@/core/class';
import type { Dose } from '@/core/move';
import { compile, lengthOf, OPENING, type Score } from '.';

/** What a class says, and how much of it: by the class, by a block and by a segment. */

const hold = (seconds: number): Dose => ({ kind: 'hold', seconds });
const breaths = (n: number): Dose => ({
  kind: 'breaths',
  breaths: n,
  pattern: { in: 4, hold: 0, out: 4, pause: 0 },
});
type Own = Partial<Segment> & { move: string };
const planWith = (lines: Own[], rules: Partial<Rules> = {}, block?: Partial<Block>): Plan => {
  const plan = planOf(lines as Parameters<typeof planOf>[0], rules);
  if (!block) return planSchema.parse(plan);
  const segments = Object.values(plan.phases).flatMap((blocks) =>
    blocks.flatMap((b) => b.segments),
  );
  const work = [{ id: 'b', order: 'straight', laps: 1, segments, ...block }];
  const phases = { arrive: [], warmUp: [], work, massage: [], close: [] };
  return planSchema.parse({ ...plan, phases });
};
const scoreOf = (...of: Parameters<typeof planWith>): Score => {
  const plan = planWith(...of);
  const score = compile(plan, LIBRARY_BOOK);
  expect(lengthOf(plan, LIBRARY_BOOK)).toBe(score.totalMs);
  return score;
};
const kinds = (score: Score, step: string, round = 1) =>
  score.cues
    .filter((c) => score.steps[c.step]?.kind === step && score.steps[c.step]?.round === round)
    .map((c) => c.kind);
const said = (score: Score, kind: string) =>
  score.cues.filter((c) => c.kind === kind).map((c) => c.text);
const work = (score: Score) => score.steps.filter((s) => s.kind === 'work');

describe('an upbeat', () => {
  it('says the name, the side, how it is done and how much, and counts in', () => {
    const score = scoreOf([{ move: 'gaze-far-holds', rounds: 1 }]);
    const order = kinds(score, 'upbeat').filter((kind, i, all) => kind !== all[i - 1]);
    expect(order).toEqual(['announce', 'side', 'setup', 'dose', 'countIn']);
    expect(said(score, 'side')).toEqual(['Left first.', 'Let go. Now the right.']);
    expect(said(score, 'dose')[0]).toMatch(/on each side\.$/);
  });

  it('tells doses round by round, and each again before its round', () => {
    const byRound = [{}, { dose: hold(56) }, { dose: hold(44) }];
    const score = scoreOf([{ move: 'tall-o-cheek-lift', dose: hold(45), rounds: 3, byRound }]);
    expect(said(score, 'dose')).toEqual([
      '3 rounds: 45, 56 and 44 seconds.',
      '56 seconds.',
      '44 seconds.',
    ]);
  });

  it('tells the side once a pass where the block is done one side first', () => {
    const lines = [
      { move: 'alternate-cheek-lifts', rounds: 2 },
      { move: 'neck-sweep-to-collarbone', rounds: 2 },
    ];
    const score = scoreOf(lines, {}, { oneSideFirst: true });
    expect(work(score)).toHaveLength(8);
    expect(said(score, 'side')).toEqual(['Left first.', 'Now the right.']);
    expect(said(score, 'dose').every((text) => !text.includes('side'))).toBe(true);
  });

  it('tells the side again where both sides came between', () => {
    const lines = [
      { move: 'alternate-cheek-lifts', rounds: 1 },
      { move: 'cheek-pinches', rounds: 1 },
      { move: 'neck-sweep-to-collarbone', rounds: 1 },
    ];
    const score = scoreOf(lines, {}, { oneSideFirst: true });
    expect(said(score, 'side')).toEqual(['Left first.', 'On the left again.', 'Now the right.']);
  });

  it('of a later round may only say "and again", without a count', () => {
    const line = { move: 'tall-o-cheek-lift', rounds: 3, straightOn: true };
    const score = scoreOf([line]);
    expect(kinds(score, 'upbeat', 2)).toEqual(['announce']);
    const upbeats = score.steps.filter((s) => s.kind === 'upbeat');
    expect(said(score, 'announce').slice(1)).toEqual(['And again.', 'And again.']);
    expect(upbeats[1]?.durationMs).toBeLessThan(1500);
  });
});

describe('a later round that is not as the one before', () => {
  it('is named, told its amount and explained, even where rounds go straight on', () => {
    const byRound = [{}, { variant: 'harder' as const }, { variant: 'harder' as const }];
    const version = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 3, straightOn: true, byRound }]);
    expect(kinds(version, 'upbeat', 2)).toContain('setup');
    expect(kinds(version, 'upbeat', 3)).toEqual(['announce']);
    const amounts = [{}, { dose: hold(12) }];
    const line = { move: 'tall-o-cheek-lift', dose: hold(30), rounds: 2, byRound: amounts };
    const amount = scoreOf([{ ...line, straightOn: true }]);
    expect(said(amount, 'dose')).toEqual(['2 rounds: 30 and 12 seconds.', '12 seconds.']);
  });
});

describe('how much is said', () => {
  const line = { move: 'gaze-far-holds', rounds: 1, dose: hold(30), releaseSeconds: 8 };
  it.each<[Segment['say'], string[]]>([
    ['all', ['announce', 'side', 'setup', 'dose', 'countIn', 'form', 'count', 'letGo']],
    ['short', ['announce', 'side', 'short', 'dose', 'countIn', 'form', 'count', 'letGo']],
    ['names', ['announce', 'side', 'dose', 'countIn', 'count', 'letGo']],
    ['counts', ['side', 'countIn', 'count']],
  ])('%s: %j', (say, heard) => {
    const ofClass = scoreOf([line], { say });
    const kept = new Set(ofClass.cues.map((c) => c.kind).filter((k) => k !== 'release'));
    expect([...kept].sort()).toEqual([...heard].sort());
    const ofSegment = scoreOf([{ ...line, say }]);
    expect(ofSegment.cues.map((c) => c.text)).toEqual(ofClass.cues.map((c) => c.text));
  });

  it('grows shorter from one to the next', () => {
    const lengths = (['all', 'short', 'names', 'counts'] as const).map(
      (say) => scoreOf([line], { say }).totals.upbeatMs,
    );
    expect(lengths).toEqual(lengths.toSorted((a, b) => b - a));
    expect(new Set(lengths).size).toBe(4);
  });
});

describe('counting of a segment', () => {
  it('is its own where it has one, the class otherwise', () => {
    const lines = [
      { move: 'soft-jaw-drop', rounds: 1, counting: 'up' as const },
      { move: 'soft-jaw-drop', rounds: 1 },
    ];
    const score = scoreOf(lines, { counting: 'none' });
    const counted = score.cues.filter((c) => c.kind === 'count');
    expect(new Set(counted.map((c) => score.steps[c.step]?.segmentId))).toEqual(new Set(['s1']));
  });

  it('is begun by "go" where one is wanted, on the first instant of the work', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1, go: true }]);
    const go = score.cues.find((c) => c.kind === 'go');
    expect([go?.text, go?.offsetMs, go && score.steps[go.step]?.kind]).toEqual(['go', 0, 'work']);
    const quiet = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1, go: true, countIn: false }]);
    expect(quiet.cues.filter((c) => ['go', 'countIn'].includes(c.kind))).toEqual([]);
  });

  it('never runs over the closing word', () => {
    const score = scoreOf([{ move: 'closing-word', rounds: 1 }], { counting: 'up' });
    expect(said(score, 'count')).toEqual([]);
  });

  it('leaves out what is true of both sides only while one side works', () => {
    const both = scoreOf([{ move: 'brow-presses', rounds: 1, dose: hold(60) }]);
    const each = scoreOf([{ move: 'brow-presses', rounds: 1, dose: hold(60), sides: 'each' }]);
    expect(said(both, 'form').join()).toMatch(/both sides/);
    expect(said(each, 'form').join()).not.toMatch(/both sides/);
  });
});

describe('breaths', () => {
  const led = (breathWords: Segment['breathWords']) =>
    scoreOf([{ move: 'slow-belly-breaths', rounds: 1, dose: breaths(9), breathWords }]);
  const at = (score: Score) =>
    score.cues.flatMap((c) =>
      c.kind === 'breath' && c.text !== 'and out' ? c.offsetMs / 8000 : [],
    );

  it('are led by a rule that the teacher chooses, and end in words', () => {
    expect(at(led('every'))).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8]);
    expect(at(led('thinning'))).toEqual([0, 1, 4, 7, 8]);
    expect(at(led('none'))).toEqual([]);
    expect(said(led('every'), 'breath').slice(-2)).toEqual(['Last breath, in', 'and out']);
  });

  it('or by soft tones', () => {
    expect(at(led('tones'))).toEqual([]);
    expect(work(led('tones'))[0]?.breathTones).toBe(true);
    expect(work(led('every'))[0]?.breathTones).toBeUndefined();
  });
});

describe('a block', () => {
  const eyes = ['gaze-side-to-side', 'gaze-up-and-down', 'gaze-circles'].map((move) => ({
    move,
    rounds: 1,
    sides: 'together' as const,
  }));

  it('opens with a sentence of its own', () => {
    const score = scoreOf(eyes, {}, { opening: 'Three things for the eyes.' });
    expect(score.cues[0]).toMatchObject({ kind: 'opening', text: 'Three things for the eyes.' });
    expect(said(score, 'announce')).toHaveLength(3);
  });

  it('in one flow is announced and counted in once', () => {
    const score = scoreOf(eyes, {}, { opening: 'Ten, five and five for the eyes.', flow: true });
    expect(said(score, 'announce')).toEqual([]);
    expect(said(score, 'dose')).toEqual([]);
    expect(said(score, 'countIn')).toEqual(['three', 'two', 'one']);
    expect(said(score, 'short')).toHaveLength(2);
    const quiet = scoreOf(eyes, {}, { flow: true });
    expect(said(quiet, 'announce')).toHaveLength(1);
  });

  it('does a loop twice before it goes on, on one side and then on the other', () => {
    const lines = ['alternate-cheek-lifts', 'neck-sweep-to-collarbone', 'side-knuckle-rolls'].map(
      (move) => ({ move, rounds: 1, sides: 'each' as const }),
    );
    const loops = [{ from: 's2', to: 's3', times: 2 }];
    const score = scoreOf(lines, {}, { oneSideFirst: true, loops });
    expect(work(score).map((s) => `${s.segmentId}.${s.round} ${s.side}`)).toEqual([
      's1.1 left',
      's2.1 left',
      's3.1 left',
      's2.2 left',
      's3.2 left',
      's1.1 right',
      's2.1 right',
      's3.1 right',
      's2.2 right',
      's3.2 right',
    ]);
    expect(work(score).map((s) => s.rounds)).toEqual([1, 2, 2, 2, 2, 1, 2, 2, 2, 2]);
  });

  it('has inner and outer loops', () => {
    const lines = ['smile-pulses', 'nostril-flares', 'pucker-hold'].map((move) => ({
      move,
      rounds: 1,
    }));
    const loops = [
      { from: 's1', to: 's3', times: 2 },
      { from: 's2', to: 's2', times: 3 },
    ];
    const score = scoreOf(lines, {}, { loops });
    const order = work(score).map((s) => s.segmentId);
    const lap = ['s1', 's2', 's2', 's2', 's3'];
    expect(order).toEqual([...lap, ...lap]);
  });

  it('is refused loops without an end, and outside straight sets', () => {
    const plan = planWith([{ move: 'smile-pulses' }], {}, {});
    const withBlock = (more: Partial<Block>) =>
      planSchema.safeParse({
        ...plan,
        phases: { ...plan.phases, work: plan.phases.work.map((b) => ({ ...b, ...more })) },
      });
    const loop = { from: 's1', to: 's1', times: 10 };
    expect(withBlock({ loops: [loop] }).success).toBe(true);
    expect(withBlock({ loops: [loop, loop] }).error?.issues[0]?.message).toMatch(/20 times/);
    expect(withBlock({ loops: [loop], order: 'circuit' }).error?.issues[0]?.message).toMatch(
      /straight sets/,
    );
  });
});

describe('a class', () => {
  it('begins with words of its own and ends with words of its own', () => {
    const rules = {
      openingSeconds: 20,
      openingWords: 'Welcome to the hall.',
      closingSeconds: 30,
      closingWords: 'Anything you would like to ask?',
    };
    const score = scoreOf([{ move: 'smile-pulses' }], rules);
    expect(score.steps[0]).toMatchObject({ segmentId: OPENING, kind: 'rest', durationMs: 20_000 });
    expect(said(score, 'opening')).toEqual(['Welcome to the hall.']);
    expect(said(score, 'questions')).toEqual(['Anything you would like to ask?']);
  });

  it('tells which of them are longer than the time kept free', () => {
    const rules = { openingSeconds: 1, openingWords: 'Welcome to the hall, all of you, tonight.' };
    const score = scoreOf([{ move: 'smile-pulses' }], rules);
    expect(said(score, 'opening')).toEqual([]);
    expect(score.leftOut[0]).toMatchObject({ segmentId: OPENING, kind: 'opening' });
  });
});

describe('sides of unequal length', () => {
  const uneven = { side: 'left', dose: hold(40), reason: 'The left side is tight.' } as const;

  it('give one side a dose of its own', () => {
    const score = scoreOf([{ move: 'gaze-far-holds', rounds: 2, dose: hold(20), uneven }]);
    expect(work(score).map((s) => [s.side, s.durationMs])).toEqual([
      ['left', 40_000],
      ['right', 20_000],
      ['left', 40_000],
      ['right', 20_000],
    ]);
    expect(work(score).every((s) => s.uneven)).toBe(true);
  });

  it('are told side by side, each as it is', () => {
    const score = scoreOf([{ move: 'gaze-far-holds', rounds: 2, dose: hold(20), uneven }]);
    expect(said(score, 'dose')).toEqual(['2 rounds of 40 seconds.', '20 seconds.']);
    const lines = [{ move: 'gaze-far-holds', rounds: 2, dose: hold(20), uneven }];
    const passes = scoreOf(lines, {}, { oneSideFirst: true });
    expect(said(passes, 'dose')).toEqual(['2 rounds of 40 seconds.', '2 rounds of 20 seconds.']);
  });

  it('change nothing where both sides work together', () => {
    const line = { move: 'gaze-far-holds', rounds: 1, dose: hold(20), sides: 'together' as const };
    const score = scoreOf([{ ...line, uneven }]);
    expect(work(score).map((s) => [s.durationMs, s.uneven])).toEqual([[20_000, undefined]]);
  });
});
