import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutAndLevel, LONGEST_SECONDS, soundOf, type Take, wavMs, wavOf } from '.';

const RATE = 24_000;
const seconds = (s: number) => Math.round(s * RATE);
/** Silence with the hiss of a room in it. */
const room = (s: number, hiss = 0.0008) =>
  Float32Array.from({ length: seconds(s) }, (_, i) => hiss * Math.sin(i * i * 0.37));
const voice = (s: number, level = 0.2) =>
  Float32Array.from(
    { length: seconds(s) },
    (_, i) => level * Math.sin((2 * Math.PI * 180 * i) / RATE),
  );
const click = () => {
  const c = room(0.03);
  c.fill(0.6, 0, 40);
  return c;
};
const joined = (...parts: Float32Array[]) => Float32Array.from(parts.flatMap((p) => [...p]));
const takeOf = (samples: Float32Array): Take => {
  const take = cutAndLevel(samples, RATE);
  if (typeof take === 'string') throw new Error(take);
  return take;
};
const lengthS = (take: Take) => take.samples.length / RATE;

describe('a take', () => {
  it('loses the silence around it, and keeps a little of it', () => {
    const take = takeOf(joined(room(0.8), voice(1.5), room(1.1)));
    expect(lengthS(take)).toBeGreaterThan(1.5);
    expect(lengthS(take)).toBeLessThan(1.7);
  });

  it('keeps the pauses between its words', () => {
    const take = takeOf(joined(room(0.5), voice(0.4), room(0.7), voice(0.4), room(0.5)));
    expect(lengthS(take)).toBeGreaterThan(1.5);
  });

  it('loses the click of the key that began and ended it', () => {
    const take = takeOf(joined(click(), room(0.5), voice(1), room(0.5), click()));
    expect(lengthS(take)).toBeLessThan(1.2);
  });

  it('is found in a noisy room as well', () => {
    const take = takeOf(joined(room(1, 0.01), voice(1, 0.2), room(1, 0.01)));
    expect(lengthS(take)).toBeLessThan(1.3);
  });

  it('comes to one level, whether whispered or called out, and is never driven over', () => {
    const level = ({ samples }: Take) => {
      const middle = samples.subarray(seconds(0.2), seconds(0.8));
      return Math.sqrt(middle.reduce((sum, s) => sum + s * s, 0) / middle.length);
    };
    const quiet = takeOf(joined(room(0.5, 0.0002), voice(1, 0.02), room(0.5, 0.0002)));
    const loud = takeOf(joined(room(0.5), voice(1, 0.9), room(0.5)));
    expect(20 * Math.log10(level(quiet) / level(loud))).toBeCloseTo(0, 1);
    for (const take of [quiet, loud]) {
      expect(take.samples.every((s) => Math.abs(s) <= 0.9)).toBe(true);
      expect(take.samples[0]).toBeCloseTo(0, 3);
    }
  });

  it('says when nothing was said, or too much', () => {
    expect(cutAndLevel(room(2), RATE)).toBe('silent');
    expect(cutAndLevel(new Float32Array(0), RATE)).toBe('silent');
    expect(cutAndLevel(joined(room(1), click(), room(1)), RATE)).toBe('silent');
    expect(cutAndLevel(voice(LONGEST_SECONDS + 1), RATE)).toBe('too long');
  });

  it('says when it was too loud for the microphone', () => {
    const over = voice(1, 1.8).map((s) => Math.max(-1, Math.min(1, s)));
    expect(takeOf(joined(room(0.3), over, room(0.3))).clipped).toBe(true);
    expect(takeOf(joined(room(0.3), voice(1), room(0.3))).clipped).toBe(false);
  });
});

describe('a WAV file', () => {
  it('is as long as what is in it, and holds every sample to a bit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 1, maxLength: 500 }),
        fc.integer({ min: 8000, max: 48_000 }),
        (samples, rate) => {
          const wav = wavOf({ samples: Float32Array.from(samples), rate });
          expect(wavMs(wav)).toBe(Math.ceil((1000 * samples.length) / rate));
          const view = new DataView(wav.buffer);
          samples.forEach((s, i) => {
            expect(Math.abs(view.getInt16(44 + 2 * i, true) / 32_767 - s)).toBeLessThan(1 / 32_000);
          });
        },
      ),
      { numRuns: 100 },
    );
  });

  it.each([
    ['nothing at all', (_: Uint8Array) => new Uint8Array(0)],
    ['a header with nothing in it', (wav: Uint8Array) => wav.slice(0, 44)],
    ['a file that ends early', (wav: Uint8Array) => wav.slice(0, -10)],
    ['two channels', (wav: Uint8Array) => wav.with(22, 2)],
    ['another kind of file', (wav: Uint8Array) => wav.with(8, 0x41)],
  ])('is not %s', (_, spoil) => {
    const wav = wavOf({ samples: voice(0.1), rate: RATE });
    expect(wavMs(wav)).toBe(100);
    expect(wavMs(spoil(wav))).toBeNull();
  });
});

it('a file is read the same wherever it stands in memory', () => {
  const said = fc.array(fc.integer({ min: -32_768, max: 32_767 }), { minLength: 1, maxLength: 20 });
  fc.assert(
    fc.property(said, fc.nat(3), (numbers, at) => {
      const file = wavOf({ samples: new Float32Array(numbers.length), rate: 22_050 });
      const view = new DataView(file.buffer, file.byteOffset);
      const head = file.length - 2 * numbers.length;
      for (const [i, n] of numbers.entries()) view.setInt16(head + 2 * i, n, true);
      const memory = Buffer.alloc(at + file.length);
      memory.set(file, at);
      const sound = soundOf(memory.subarray(at));
      expect([...sound.samples]).toEqual(numbers.map((n) => n / 32_768));
      expect(sound.rate).toBe(22_050);
    }),
  );
});
