import { describe, expect, it } from 'vitest';
import { furtherUnder, heardAs, markVolumes, softness, soundsSchema, USUAL_SOUNDS } from './sounds';

describe('what is heard besides words', () => {
  it('is the voice alone where nobody chose, as it always was', () => {
    expect(USUAL_SOUNDS).toEqual({
      countedBy: 'voice',
      countVolume: 1,
      bells: 'none',
      bellVolume: 1,
      softClose: false,
      heardOn: 'anything',
    });
    expect(soundsSchema.safeParse({ bellVolume: 1.1 }).success).toBe(false);
  });

  it.each([
    ['voice', 'count', 'words'],
    ['wood', 'count', 'wood'],
    ['air', 'countIn', 'air'],
    ['wood', 'go', 'words'],
    ['wood', 'form', 'words'],
    ['none', 'count', 'nothing'],
    // Nobody would know when to begin.
    ['none', 'countIn', 'words'],
  ] as const)('counted by %s, a cue that is a %s is heard as %s', (countedBy, kind, as) => {
    expect(heardAs(kind, { countedBy })).toBe(as);
  });

  it('grows softer toward the close where that is wanted, by less than half', () => {
    const soft = { ...USUAL_SOUNDS, softClose: true };
    expect(softness(USUAL_SOUNDS, 'close')).toBe(1);
    const along = ['work', 'massage', 'close'].map((phase) => softness(soft, phase));
    expect(along).toEqual(along.toSorted((a, b) => b - a));
    expect(along[0]).toBe(1);
    expect(along[2]).toBeGreaterThan(0.5);
  });

  it('is less soft at the close in a hall, and marks are softer at the ear', () => {
    const soft = { ...USUAL_SOUNDS, softClose: true };
    const inDb = (factor: number) => 20 * Math.log10(factor);
    const hall = { ...soft, heardOn: 'hall' as const };
    expect(inDb(softness(hall, 'close'))).toBeCloseTo(-2, 5);
    expect(softness({ ...hall, softClose: false }, 'close')).toBe(1);
    const ears = { ...soft, heardOn: 'headphones' as const, countVolume: 0.5 };
    expect(inDb(softness(ears, 'close'))).toBeCloseTo(-5, 5);
    expect(inDb(markVolumes(ears).bells)).toBeCloseTo(-3, 5);
    expect(inDb(markVolumes(ears).counts)).toBeCloseTo(-9.02, 2);
    expect([hall, ears, soft].map(furtherUnder)).toEqual([4, 0, 0]);
  });
});
