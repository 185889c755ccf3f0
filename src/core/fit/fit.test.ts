import { LIBRARY_BOOK, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { solver } from '@testing/solver';
import { describe, expect, it } from 'vitest';
import {
  differences,
  groupSegments,
  PHASES,
  type Plan,
  placedSegments,
  resolve,
  updateSegment,
} from '@/core/class';
import { lengthOf } from '@/core/score';
import { choicesOf, fitToSlot } from '.';

const ms = (plan: Plan) => lengthOf(plan, LIBRARY_BOOK);
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;

describe('fitting a class to its slot', () => {
  const choir = () =>
    planOf([
      { move: 'slow-belly-breaths' },
      { move: 'shoulder-rolls-both-ways' },
      { move: 'tall-o-cheek-lift' },
      { move: 'soft-jaw-drop' },
      { move: 'closing-face-drain' },
    ]);

  it('leaves a class alone that already fits', () => {
    const plan = choir();
    const slotSeconds = Math.ceil(ms(plan) / 1000);
    const found = fitToSlot({ ...plan, slotSeconds }, LIBRARY_BOOK, solver);
    expect(found).toMatchObject({ kind: 'fits', cost: 0 });
  });

  it('says which limits collide, and how near the class can come', () => {
    const locked = placedSegments(choir()).reduce(
      (p, { segment }) => updateSegment(p, segment.id, (s) => ({ ...s, locked: true })),
      choir(),
    );
    const plan = { ...locked, slotSeconds: Math.round(ms(locked) / 1000) - 60 };
    expect(fitToSlot(plan, LIBRARY_BOOK, solver)).toEqual({
      kind: 'cannot',
      nearest: plan,
      nearestMs: ms(plan),
      collide: ['locks'],
      together: false,
    });
  });

  it('names floors where everything is as short as it may be', () => {
    const long = planOf(
      Array.from({ length: 8 }, () => ({
        move: 'smile-pulses',
        dose: hold(10),
        rounds: 1,
        releaseSeconds: 0,
      })),
    );
    const tight = { ...long, slotSeconds: Math.round(ms(long) / 1000) - 9 };
    expect(fitToSlot(tight, LIBRARY_BOOK, solver)).toMatchObject({
      kind: 'cannot',
      collide: ['floors'],
    });
  });

  it('leaves a release the time that its let-go takes in the language of the class', () => {
    const least = (plan: Plan) => {
      const [block] = choicesOf(resolve(plan, LIBRARY_BOOK));
      return Math.min(...(block?.segments[0]?.releases.map((r) => r.value) ?? []));
    };
    const plan = planOf([{ move: 'pen-under-nose', releaseSeconds: 12 }]);
    const text = libraryMove('pen-under-nose')?.text;
    const seconds = (words = '') => Math.ceil(words.length / 12) + 1;
    expect(seconds(text?.de?.letGo)).not.toBe(seconds(text?.en?.letGo));
    expect(least(plan)).toBe(seconds(text?.en?.letGo));
    expect(least({ ...plan, language: 'de' })).toBe(seconds(text?.de?.letGo));
  });

  it('a refused edit is left out of the next answer', () => {
    const plan = { ...choir(), slotSeconds: Math.round(ms(choir()) / 1000) - 30 };
    const first = fitToSlot(plan, LIBRARY_BOOK, solver);
    if (first.kind !== 'fits') throw new Error('the class should fit');
    const edits = differences(plan, first.plan);
    const refused = new Set(edits.map((d) => `${d.segmentId} ${d.what}`));
    const second = fitToSlot(plan, LIBRARY_BOOK, solver, { refused });
    if (second.kind !== 'fits') throw new Error('the class should fit in another way');
    for (const d of differences(plan, second.plan)) {
      expect(refused.has(`${d.segmentId} ${d.what}`)).toBe(false);
    }
    expect(second.cost).toBeGreaterThanOrEqual(first.cost);
  });

  it('takes the laps of a circuit along', () => {
    const plan = groupSegments(choir(), ['s3', 's4'], 'circuit');
    const slotSeconds = Math.round(ms(plan) / 1000) + 40;
    const found = fitToSlot({ ...plan, slotSeconds }, LIBRARY_BOOK, solver);
    expect(found.kind).toBe('fits');
  });

  it('an empty class cannot be fitted: the slot itself stands in the way', () => {
    const empty = { ...planOf([]), slotSeconds: 600 };
    expect(fitToSlot(empty, LIBRARY_BOOK, solver)).toMatchObject({
      kind: 'cannot',
      collide: ['slot'],
    });
    expect(PHASES.every((p) => empty.phases[p].length === 0)).toBe(true);
  });

  it('leaves as it is what would keep the head back too long', () => {
    const tilted = planOf([
      { move: 'tongue-to-ceiling', rounds: 1, dose: { kind: 'reps', reps: 13, secondsEach: 3 } },
      { move: 'pucker-hold', rounds: 1 },
    ]);
    const plan = { ...tilted, slotSeconds: Math.round(ms(tilted) / 1000) + 20 };
    const free = fitToSlot(plan, LIBRARY_BOOK, solver);
    const guarded = fitToSlot(plan, LIBRARY_BOOK, solver, { unsafe: () => ['s1'] });
    const doseOf = (f: typeof free) =>
      placedSegments(f.kind === 'fits' ? f.plan : f.nearest)[0]?.segment.dose;
    expect(doseOf(guarded)).toEqual(placedSegments(plan)[0]?.segment.dose);
    expect(guarded.kind === 'cannot' && guarded.collide.includes('safety')).toBe(
      free.kind === 'fits' && guarded.kind === 'cannot',
    );
  });
});
