import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { atRate, bytesOf, mixed, softTone, truePeakOf, WINDOWS_HELD } from '.';

const sine = (hz: number, rate: number, seconds: number) => ({
  samples: Float32Array.from({ length: Math.round(seconds * rate) }, (_, i) =>
    Math.sin((2 * Math.PI * hz * i) / rate),
  ),
  rate,
});

describe('mixing', () => {
  it('is the sum of all sounds, each at its sample, whatever windows it is made in', async () => {
    const rate = 100;
    const pieces = fc.array(
      fc.record({ startMs: fc.nat(6000), length: fc.integer({ min: 0, max: 350 }) }),
      { maxLength: 6 },
    );
    await fc.assert(
      fc.asyncProperty(pieces, fc.integer({ min: 1, max: 7000 }), async (all, totalMs) => {
        const placed = all
          .toSorted((a, b) => a.startMs - b.startMs)
          .map(({ startMs, length }, n) => ({
            startMs,
            samples: Float32Array.from({ length }, (_, i) => (n + 1) / 16 + i / 4096),
          }));
        const ought = new Float32Array(Math.round((totalMs * rate) / 1000));
        for (const { startMs, samples } of placed) {
          samples.forEach((s, i) => {
            const at = Math.round((startMs * rate) / 1000) + i;
            if (at < ought.length) ought[at] = (ought[at] ?? 0) + s;
          });
        }
        const given = placed.map(({ startMs, samples }) => ({
          startMs,
          sound: async () => (samples.length ? { samples, rate } : null),
        }));
        const is: number[] = [];
        let summed = false;
        for await (const { samples, alone } of mixed(given, { rate, totalMs })) {
          is.push(...samples);
          summed ||= !alone;
        }
        expect(is).toEqual([...ought]);
        const ends = placed.map(({ startMs, samples }) => {
          const from = Math.round((startMs * rate) / 1000);
          return { from, to: Math.min(ought.length, from + samples.length) };
        });
        const overlap = ends.some((a, i) =>
          ends.slice(i + 1).some((b) => Math.max(a.from, b.from) < Math.min(a.to, b.to)),
        );
        expect(summed).toBe(overlap);
      }),
      { numRuns: RUNS / 4 },
    );
  });

  it('keeps a window until some more were asked for, and takes no more places than that', async () => {
    const rate = 50;
    const long = { samples: Float32Array.from({ length: 1000 }, (_, i) => i / 1024), rate };
    const places = new Set<ArrayBufferLike>();
    const kept: { samples: Float32Array; was: number[] }[] = [];
    const given = [{ startMs: 0, sound: async () => long }];
    for await (const { samples } of mixed(given, { rate, totalMs: 19_500 })) {
      places.add(samples.buffer);
      kept.push({ samples, was: [...samples] });
      for (const { samples: still, was } of kept.slice(-WINDOWS_HELD))
        expect([...still]).toEqual(was);
    }
    expect([kept.length, kept.at(-1)?.samples.length]).toEqual([20, 25]);
    expect(places.size).toBe(WINDOWS_HELD);
  });

  it('asks for a sound only when its time comes', async () => {
    const asked: number[] = [];
    const given = [0, 1500, 2500].map((startMs) => ({
      startMs,
      sound: async () => {
        asked.push(startMs);
        return null;
      },
    }));
    const windows = mixed(given, { rate: 10, totalMs: 3000 });
    await windows.next();
    expect(asked).toEqual([0]);
    await windows.next();
    expect(asked).toEqual([0, 1500]);
  });
});

describe('another rate', () => {
  it.each([
    [24_000, 22_050],
    [48_000, 22_050],
    [16_000, 22_050],
  ])('from %i to %i keeps a tone as it was', (from, to) => {
    const is = atRate(sine(440, from, 0.5), to);
    const ought = sine(440, to, 0.5);
    expect(Math.abs(is.samples.length - ought.samples.length)).toBeLessThanOrEqual(1);
    for (let i = 200; i < ought.samples.length - 200; i++) {
      expect(Math.abs((is.samples[i] ?? 0) - (ought.samples[i] ?? 0))).toBeLessThan(0.01);
    }
  });

  it('leaves out what it cannot hold, rather than folding it back', () => {
    const { samples } = atRate(sine(15_000, 48_000, 0.2), 16_000);
    expect(truePeakOf(samples.subarray(200, -200))).toBeLessThan(-40);
  });
});

it('a tone rises and falls softly, and is over when the next may begin', () => {
  const { samples } = softTone(660, 22_050);
  const most = Math.max(...samples.map(Math.abs));
  expect(most).toBeGreaterThan(0.1);
  expect(most).toBeLessThanOrEqual(0.12);
  expect(Math.abs(samples[0] ?? 1)).toBeLessThan(0.001);
  expect(Math.abs(samples.at(-1) ?? 1)).toBeLessThan(0.002);
});

it('bytes are 16 bits of each sample, and what is too loud is not turned round', () => {
  const view = new DataView(bytesOf(Float32Array.of(0, 1, -1, 2, -2, 0.5)).buffer);
  expect([0, 1, 2, 3, 4, 5].map((i) => view.getInt16(2 * i, true))).toEqual([
    0, 32_767, -32_767, 32_767, -32_767, 16_384,
  ]);
});
