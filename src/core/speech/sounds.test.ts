import { describe, expect, it } from 'vitest';
import { heardAs, softness, soundsSchema, USUAL_SOUNDS } from './sounds';

describe('what is heard besides words', () => {
  it('is the voice alone where nobody chose, as it always was', () => {
    expect(USUAL_SOUNDS).toEqual({
      countedBy: 'voice',
      countVolume: 1,
      bells: 'none',
      bellVolume: 1,
      softClose: false,
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
});
