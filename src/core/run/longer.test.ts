import { LIBRARY_BOOK } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { eventId, planOf } from '@testing/plans';
import { scoresOf, T0 } from '@testing/runs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Counting,
  changeRules,
  type Plan,
  placedSegments,
  resolve,
  updateSegment,
} from '@/core/class';
import { breathMs, doseBeats } from '@/core/move';
import { dosesOfTurn, turns } from '@/core/score';
import {
  cuesAhead,
  cuesByStep,
  inWholeUnits,
  type NewRunEvent,
  type PlayStep,
  playLengthMs,
  position,
} from '.';

/** A class that is made longer at the beginning of its n-th work, and what is said from there to the end of that. */
function longer(plan: Plan, nth: number, msOf: (p: PlayStep) => number) {
  const { score, easier } = scoresOf(plan);
  const work = score.steps.filter((s) => s.kind === 'work')[nth];
  if (!work) return null;
  const started: NewRunEvent = { id: eventId(0), at: T0, type: 'started' };
  const at = T0 + work.startMs;
  const before = position(score, [started], at, easier);
  const part = before.queue[before.index] as PlayStep;
  const ms = msOf(part);
  const state = position(
    score,
    [started, { id: eventId(1), at, type: 'extended', ms }],
    at,
    easier,
  );
  const now = state.queue[state.index] as PlayStep;
  const said = cuesAhead(state, cuesByStep(score, easier), playLengthMs(now) - 1);
  return { work, now, said: said.map((due) => ({ ...due.cue, atMs: due.at - at })) };
}

describe('work that is made longer', () => {
  const pulses = (counting: Counting) =>
    planOf([{ move: 'smile-pulses', rounds: 1 }], { counting });
  const counted = (counting: Counting, ms: number) =>
    longer(pulses(counting), 0, () => ms)?.said.flatMap((c) => (c.kind === 'count' ? c.text : []));

  it('is counted on where it is counted up', () => {
    const twenty = ['sixteen', 'eighteen', 'twenty'];
    expect(counted('up', 5000)?.slice(-5)).toEqual([...twenty, 'twenty-two', 'twenty-four']);
    expect(counted('every-rep', 10_000)?.slice(-3)).toEqual([
      'twenty-six',
      'twenty-eight',
      'thirty',
    ]);
    expect(counted('up', 300)?.slice(-3)).toEqual(twenty);
  });

  it('is counted on for a minute, and then done without', () => {
    const all = counted('up', 200_000);
    expect(all?.at(-1)).toBe('eighty');
  });

  it('ends with the same counts as before where it is counted down', () => {
    expect(counted('last-five', 5000)).toEqual(['five', 'four', 'three', 'two', 'one']);
    expect(counted('none', 5000)).toEqual([]);
  });

  it('is counted on in the easier version as well', () => {
    const plan = planOf([{ move: 'hair-root-lifts', rounds: 1 }], { counting: 'up' });
    const { score, easier } = scoresOf(plan);
    const work = score.steps.find((s) => s.kind === 'work');
    const at = T0 + (work?.startMs ?? 0);
    const events = [
      { type: 'started', at: T0 },
      { type: 'eased', at },
      { type: 'next', at },
      { type: 'extended', at, ms: 10_000 },
    ].map((event, i) => ({ id: eventId(i), ...event }) as NewRunEvent);
    const state = position(score, events, at, easier);
    const now = state.queue[state.index] as PlayStep;
    const said = cuesAhead(state, cuesByStep(score, easier), playLengthMs(now) - 1);
    expect(now.step.variant).toBe('easier');
    expect(
      said.some(({ cue, at: on }) => cue.kind === 'count' && on - at >= now.step.durationMs),
    ).toBe(true);
  });

  it('says every number at its own beat, none over another, in any class that is counted up', () => {
    const rule = fc.constantFrom('up' as const, 'every-rep' as const);
    fc.assert(
      fc.property(smallPlan(80), rule, fc.nat(8), fc.nat(90_000), (any, counting, nth, wanted) => {
        const plan = placedSegments(changeRules(any, { counting })).reduce(
          (of, { segment }) => updateSegment(of, segment.id, ({ stages: _, ...s }) => s),
          changeRules(any, { counting }),
        );
        const made = longer(plan, nth, (p) => inWholeUnits(p, wanted));
        if (!made) return;
        const { work, now, said } = made;
        const turn = turns(resolve(plan, LIBRARY_BOOK)).find((t) =>
          work.id.startsWith(`${t.key}.`),
        );
        const doses = turn ? dosesOfTurn(turn) : [];
        const dose = doses[Math.max(0, turn?.sides.indexOf(work.side) ?? 0)];
        if (!turn || !dose) throw new Error(`no turn of ${work.id}`);
        const { beatMs } = doseBeats(dose);
        const number = new Map(
          Array.from({ length: 700 }, (_, n) => [LIBRARY_BOOK.phrases(plan.language).number(n), n]),
        );
        for (const cue of said.filter(({ kind }) => kind === 'count')) {
          const n = number.get(cue.text) ?? 0;
          if (work.countsOn) expect(cue.atMs).toBe(Math.round((n - 1) * beatMs));
          expect(cue.atMs + cue.durationMs).toBeLessThanOrEqual(playLengthMs(now));
        }
        const late = said.filter((cue) => cue.atMs >= work.durationMs);
        late.forEach((cue, i) => {
          const before = late[i - 1];
          if (before) expect(cue.atMs).toBeGreaterThanOrEqual(before.atMs + before.durationMs);
        });
      }),
      { numRuns: RUNS },
    );
  });

  it('goes on in whole breaths, so that its last words come with the last breath', () => {
    const pattern = { in: 4, hold: 2, out: 6, pause: 0 };
    const dose = { kind: 'breaths' as const, breaths: 3, pattern };
    const plan = updateSegment(planOf([{ move: 'slow-belly-breaths', rounds: 1 }]), 's1', (s) => ({
      ...s,
      dose,
    }));
    for (const wanted of [1, 10_000, 30_000]) {
      const made = longer(plan, 0, (p) => inWholeUnits(p, wanted));
      const breaths = made?.said.filter(({ kind }) => kind === 'breath') ?? [];
      expect(breaths.length).toBeGreaterThan(3);
      const length = breathMs(pattern);
      for (const { atMs } of breaths) expect([0, 6000]).toContain(atMs % length);
      expect(breaths.at(-2)?.atMs).toBe(playLengthMs(made?.now as PlayStep) - length);
    }
  });
});
