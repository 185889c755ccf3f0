import { describe, expect, it } from 'vitest';
import { HIGHEST_DBTP, loudnessOf, truePeakOf } from './loudness';
import { MARKS, markSound } from './marks';

const RATE = 22_050;

describe.each(MARKS)('the mark "%s"', (mark) => {
  const { samples } = markSound(mark, RATE);

  it('begins and ends in silence, and never clips', () => {
    expect(Math.abs(samples[0] ?? 1)).toBeLessThan(0.02);
    expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.01);
    expect(truePeakOf(samples)).toBeLessThanOrEqual(HIGHEST_DBTP + 0.1);
  });

  it('is the same each time, and as loud at any rate', () => {
    expect(markSound(mark, RATE).samples).toEqual(samples);
    const [one, other] = [RATE, 48_000].map((rate) => loudnessOf(markSound(mark, rate)) ?? 0);
    expect(Math.abs((one ?? 0) - (other ?? 0))).toBeLessThan(mark === 'air' ? 4 : 1);
  });
});

it('wood is over before the next beat, and a bell rings on', () => {
  const seconds = (mark: 'wood' | 'bell') => markSound(mark, RATE).samples.length / RATE;
  expect(seconds('wood')).toBeLessThan(0.25);
  expect(seconds('bell')).toBeGreaterThan(2);
});
