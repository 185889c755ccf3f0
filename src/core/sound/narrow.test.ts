import fc from 'fast-check';
import { expect, it } from 'vitest';
import { loudnessOf, narrowed, SPOKEN_LUFS, truePeakOf } from '.';

const rate = 22_050;
/** Vowels and soft parts in turn, a second each, as of somebody who swallows the ends of words. */
const speech = (softDb: number, seconds = 6) => {
  const samples = Float32Array.from({ length: seconds * rate }, (_, i) => {
    const soft = Math.floor(i / rate) % 2 === 1;
    const level = 0.35 * (soft ? 10 ** (-softDb / 20) : 1);
    return level * (Math.sin((2 * Math.PI * 180 * i) / rate) + 0.5 * Math.sin(i * 0.31));
  });
  return { samples, rate };
};
const levelDb = (samples: Float32Array, from: number, to: number) => {
  const part = samples.subarray(from * rate, to * rate);
  return 10 * Math.log10(part.reduce((sum, s) => sum + s * s, 0) / part.length);
};

it('brings what is soft nearer to what is loud, and is as loud as all else', () => {
  fc.assert(
    fc.property(fc.integer({ min: 6, max: 24 }), (softDb) => {
      const out = narrowed(speech(softDb));
      expect(out.samples).toHaveLength(6 * rate);
      // Away from where one goes over into the other.
      const apart = levelDb(out.samples, 2.4, 2.9) - levelDb(out.samples, 3.7, 3.9);
      expect(apart).toBeGreaterThan(0);
      expect(apart).toBeLessThan(0.55 * softDb);
      expect(Math.abs((loudnessOf(out) ?? 0) - SPOKEN_LUFS)).toBeLessThan(0.6);
      expect(truePeakOf(out.samples)).toBeLessThan(-1.4);
    }),
    { numRuns: 12 },
  );
});

it('leaves silence silent, and makes no noise of it', () => {
  const silent = { samples: new Float32Array(rate), rate };
  expect(narrowed(silent).samples.every((s) => s === 0)).toBe(true);
  const { samples } = speech(6, 2);
  samples.fill(0, rate);
  expect(
    narrowed({ samples, rate })
      .samples.subarray(rate)
      .every((s) => s === 0),
  ).toBe(true);
});
