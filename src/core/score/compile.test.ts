import { LIBRARY_BOOK } from '@library';
import { anyPlan, RUNS } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Segment, UnknownMoveError, updateSegment } from '@/core/class';
import type { Move } from '@/core/move';
import { CUE_GAP_MS, compile, lengthOf, type Score } from '.';
import { counts } from './counting';

const scoreOf = (...of: Parameters<typeof planOf>): Score => compile(planOf(...of), LIBRARY_BOOK);

/** What is wrong with a score, in words; empty where all is well. */
type Faults = (score: Score) => string[];

const anyTalk = fc.constantFrom(0.6, 0.83, 1, 1.17, 2);

describe('every score', () => {
  const property = (faults: Faults) =>
    fc.assert(
      fc.property(anyPlan, anyTalk, (plan, talkingFactor) => {
        expect(faults(compile(plan, LIBRARY_BOOK, { talkingFactor }))).toEqual([]);
      }),
      { numRuns: RUNS },
    );

  it('tiles the time line with no gap and no overlap, and its parts add up', () => {
    property((score) => {
      const faults: string[] = [];
      let at = 0;
      for (const step of score.steps) {
        if (step.startMs !== at) faults.push(`${step.id} starts at ${step.startMs}, not ${at}`);
        if (!Number.isInteger(step.durationMs) || step.durationMs <= 0) faults.push(step.id);
        at += step.durationMs;
      }
      const { upbeatMs, workMs, switchMs, releaseMs, restMs } = score.totals;
      if (score.totalMs !== at) faults.push('total');
      if (upbeatMs + workMs + switchMs + releaseMs + restMs !== at) faults.push('sum of parts');
      return faults;
    });
  });

  it('gives both sides equal work', () => {
    property((score) => {
      const work = (side: string) =>
        score.steps
          .filter((s) => s.kind === 'work' && s.side === side)
          .reduce((sum, s) => sum + s.durationMs, 0);
      return work('left') === work('right') && work('one') === work('other') ? [] : ['unequal'];
    });
  });

  it('ends every cue a gap before the next one starts, within the class', () => {
    property((score) =>
      score.cues.flatMap((cue, i) => {
        const end = cue.startMs + cue.durationMs;
        const next = score.cues[i + 1]?.startMs ?? score.totalMs + CUE_GAP_MS;
        return next - end < CUE_GAP_MS ? [`${cue.id} ends ${next - end} ms before the next`] : [];
      }),
    );
  });

  it('keeps what is said in an upbeat inside that upbeat', () => {
    property((score) =>
      score.cues.flatMap((cue) => {
        const step = score.steps[cue.step];
        const over = step?.kind === 'upbeat' && cue.offsetMs + cue.durationMs > step.durationMs;
        return over ? [cue.id] : [];
      }),
    );
  });

  it('is as long as the closed form says', () => {
    fc.assert(
      fc.property(anyPlan, anyTalk, (plan, talkingFactor) => {
        const { totalMs } = compile(plan, LIBRARY_BOOK, { talkingFactor });
        expect(lengthOf(plan, LIBRARY_BOOK, { talkingFactor })).toBe(totalMs);
      }),
      { numRuns: RUNS },
    );
  });

  it('comes out the same twice', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const [first, second] = [compile(plan, LIBRARY_BOOK), compile(plan, LIBRARY_BOOK)];
        expect(JSON.stringify(first) === JSON.stringify(second)).toBe(true);
      }),
      { numRuns: RUNS },
    );
  });

  it('has step and cue ids of its own', () => {
    property((score) => [
      ...(new Set(score.steps.map((s) => s.id)).size === score.steps.length ? [] : ['steps']),
      ...(new Set(score.cues.map((c) => c.id)).size === score.cues.length ? [] : ['cues']),
    ]);
  });
});

describe('counts', () => {
  it('says "one" exactly a second before the work begins and before it ends', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]);
    const upbeat = score.steps[0];
    const work = score.steps[1];
    const ones = score.cues.filter((c) => c.text === 'one').map((c) => c.startMs);
    expect(ones).toEqual([
      (upbeat?.durationMs ?? 0) - 1000,
      (work?.startMs ?? 0) + (work?.durationMs ?? 0) - 1000,
    ]);
  });

  it('counts the last five of a hold aloud, one a second', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]);
    const said = score.cues.filter((c) => c.kind === 'count');
    expect(said.map((c) => c.text)).toEqual(['five', 'four', 'three', 'two', 'one']);
    expect(said.map((c) => c.offsetMs)).toEqual([25_000, 26_000, 27_000, 28_000, 29_000]);
  });

  it('counts a single beat down from its beginning, also where the beat is no whole millisecond', () => {
    // 60 / 27 s is 2222.2 ms: at nought, and not at a nought below it, which no document can tell.
    const dose = { kind: 'taps', taps: 1, tempo: 27 } as const;
    expect(counts(dose, 'down', () => 300)).toEqual([{ number: 1, offsetMs: 0, fromEnd: true }]);
  });

  it('thins the count when the voice is slower than the tempo', () => {
    const fast = { kind: 'taps', taps: 22, tempo: 150 } as const;
    const score = scoreOf([{ move: 'smile-pulses', dose: fast, rounds: 1 }], { counting: 'up' });
    const said = score.cues.filter((c) => c.kind === 'count').map((c) => c.text);
    expect(said).toEqual(['five', 'ten', 'fifteen', 'twenty']);
  });

  it('leaves out a count-in word that a very slow voice cannot say on its beat', () => {
    const plan = planOf([{ move: 'slow-belly-breaths' }]);
    const score = compile(plan, LIBRARY_BOOK, { meter: () => 800 });
    expect(score.cues.filter((c) => c.kind === 'countIn').map((c) => c.text)).toEqual(['three']);
    expect(score.leftOut).toContainEqual(expect.objectContaining({ kind: 'countIn', text: 'one' }));
  });

  it('paces breaths by their in and out instead of numbers', () => {
    const score = scoreOf([{ move: 'slow-belly-breaths' }]);
    expect(score.cues.filter((c) => c.kind === 'count')).toEqual([]);
    const paced = score.cues.filter((c) => c.kind === 'breath').map((c) => [c.text, c.offsetMs]);
    expect(paced).toEqual([
      ['Breathe in', 0],
      ['and out', 4000],
      ['Breathe in', 10_000],
      ['and out', 14_000],
      ['Last breath, in', 30_000],
      ['and out', 34_000],
    ]);
  });
});

describe('explaining', () => {
  const kinds = (score: Score, step: string) =>
    score.cues.filter((c) => score.steps[c.step]?.kind === step).map((c) => c.kind);

  it('explains in full before the first round and in short after', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 2 }]);
    const said = (round: number, kind: string) =>
      score.cues.filter((c) => score.steps[c.step]?.round === round && c.kind === kind).length;
    expect([said(1, 'setup'), said(1, 'short')]).toEqual([3, 0]);
    expect([said(2, 'setup'), said(2, 'short')]).toEqual([0, 1]);
  });

  it('does not explain a move again that came before in the class', () => {
    const score = scoreOf([
      { move: 'tall-o-cheek-lift', rounds: 1 },
      { move: 'tall-o-cheek-lift', rounds: 1 },
    ]);
    expect(score.cues.filter((c) => c.kind === 'setup')).toHaveLength(3);
  });

  it('moves the explanation into the work when the class explains throughout', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1 }], { explain: 'throughout' });
    expect(kinds(score, 'upbeat')).not.toContain('setup');
    expect(kinds(score, 'work')).toContain('setup');
  });

  it('says only the name and how much when the class goes by names', () => {
    const score = scoreOf([{ move: 'tall-o-cheek-lift', rounds: 1 }], { explain: 'names-only' });
    expect(kinds(score, 'upbeat')).toEqual(['announce', 'dose', 'countIn', 'countIn', 'countIn']);
  });

  it('reports what found no room instead of speaking it over the count', () => {
    const score = scoreOf(
      [{ move: 'tall-o-cheek-lift', rounds: 1, dose: { kind: 'hold', seconds: 10 } }],
      { explain: 'throughout' },
    );
    expect(score.leftOut.filter((l) => l.kind === 'setup').length).toBeGreaterThan(0);
    expect(score.leftOut[0]?.reason).toMatch(/no room/);
  });

  it('gives a let-go without release or rest a moment of its own, in its own turn', () => {
    const score = scoreOf([
      { move: 'tall-o-cheek-lift', rounds: 1, releaseSeconds: 0 },
      { move: 'smile-pulses', rounds: 1, releaseSeconds: 0 },
    ]);
    const letGos = score.cues.filter((c) => c.kind === 'letGo');
    expect(letGos.map((c) => score.steps[c.step]?.id)).toEqual(['s1.1.release', 's2.1.release']);
    expect(score.leftOut).toEqual([]);
  });

  it('lays what is said in a rest into the rest, where it is heard', () => {
    const score = scoreOf([
      { move: 'tall-o-cheek-lift', rounds: 2, releaseSeconds: 2, restSeconds: 10 },
    ]);
    const rest = score.steps.findIndex((s) => s.kind === 'rest');
    expect(score.cues.filter((c) => c.step === rest).map((c) => c.kind)).toContain('release');
    for (const cue of score.cues) {
      expect(cue.offsetMs).toBeLessThan(score.steps[cue.step]?.durationMs ?? 0);
    }
  });

  it('announces and counts a version as it is done, for as long', () => {
    const line = { move: 'smile-pulses', rounds: 1, variant: 'easier' } as const;
    const score = scoreOf([line]);
    const work = score.steps.find((s) => s.kind === 'work');
    expect(work?.durationMs).toBe(20_000);
    expect(score.cues.find((c) => c.kind === 'dose')?.text).toMatch(/^20 seconds/);
    expect(score.cues.filter((c) => c.kind === 'count').map((c) => c.text)).toEqual([
      'five',
      'four',
      'three',
      'two',
      'one',
    ]);
  });

  it('paces no version with a breath held that does without', () => {
    const held = scoreOf([{ move: 'arms-up-arms-down' }]);
    const easier = scoreOf([{ move: 'arms-up-arms-down', variant: 'easier' }]);
    const breath = (score: Score) => score.steps.find((s) => s.kind === 'work')?.breath;
    expect([breath(held)?.hold, breath(easier)?.hold]).toEqual([2, 0]);
  });

  it('shares the sides as the version does, unless the teacher chose otherwise', () => {
    const move = LIBRARY_BOOK.move('gaze-far-holds') as Move;
    const own: Move = { ...move, id: 'gaze-at-ease', variants: { easier: { sides: 'together' } } };
    const book = {
      ...LIBRARY_BOOK,
      move: (id: string) => (id === own.id ? own : LIBRARY_BOOK.move(id)),
    };
    const sidesOf = (line: Partial<Segment>) => {
      const plan = planOf([{ move: 'gaze-far-holds', rounds: 1 }]);
      const changed = updateSegment(plan, 's1', (s) => ({ ...s, move: own.id, ...line }));
      const score = compile(changed, book);
      expect(lengthOf(changed, book)).toBe(score.totalMs);
      return score.steps.flatMap((s) => (s.kind === 'work' ? s.side : []));
    };
    expect(sidesOf({})).toEqual(['left', 'right']);
    expect(sidesOf({ variant: 'easier' })).toEqual(['both']);
    expect(sidesOf({ variant: 'easier', sides: 'alternating' })).toEqual(['alternating']);
  });
});

describe('order', () => {
  const order = (score: Score) =>
    score.steps.filter((s) => s.kind === 'work').map((s) => `${s.segmentId}.${s.round}`);
  const two = (blockOrder: 'straight' | 'circuit' | 'alternating', rounds: number, laps = 1) => {
    const plan = planOf([
      { move: 'full-cheeks-hold', rounds },
      { move: 'tall-o-cheek-lift', rounds },
    ]);
    const segments = plan.phases.work.flatMap((b) => b.segments);
    const block = { id: 'b', order: blockOrder, laps, segments };
    return compile({ ...plan, phases: { ...plan.phases, work: [block] } }, LIBRARY_BOOK);
  };

  it('plays straight sets as A A A B B B', () => {
    expect(order(two('straight', 3))).toEqual(['s1.1', 's1.2', 's1.3', 's2.1', 's2.2', 's2.3']);
  });

  it('plays alternating moves as A B A B A B (common practice)', () => {
    expect(order(two('alternating', 3))).toEqual(['s1.1', 's2.1', 's1.2', 's2.2', 's1.3', 's2.3']);
  });

  it('plays a circuit lap by lap', () => {
    expect(order(two('circuit', 1, 3))).toEqual(['s1.1', 's2.1', 's1.2', 's2.2', 's1.3', 's2.3']);
  });
});

describe("a teacher's own words", () => {
  it('replace the library in the score', () => {
    const score = scoreOf([
      { move: 'tall-o-cheek-lift', rounds: 1, cues: { setup: ['Just as on Tuesday.'] } },
    ]);
    expect(score.cues.filter((c) => c.kind === 'setup').map((c) => c.text)).toEqual([
      'Just as on Tuesday.',
    ]);
  });
});

it('refuses a class with a move nobody knows', () => {
  const plan = planOf([{ move: 'tall-o-cheek-lift' }]);
  expect(() => compile(plan, { ...LIBRARY_BOOK, move: () => undefined })).toThrow(UnknownMoveError);
});
