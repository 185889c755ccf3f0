import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import { wavOf } from '../speech';
import {
  HIGHEST_DBTP,
  hearing,
  held,
  levelled,
  louder,
  loudnessOf,
  peaksOf,
  prompt,
  type Sound,
  SPOKEN_LUFS,
  truePeakOf,
} from '.';
import { filtered } from './loudness';

const sine = (hz: number, seconds: number, { rate = 48_000, level = 1 } = {}): Sound => ({
  samples: Float32Array.from(
    { length: Math.round(seconds * rate) },
    (_, i) => level * Math.sin((2 * Math.PI * hz * i) / rate),
  ),
  rate,
});
const silence = (seconds: number, rate = 48_000): Sound => ({
  samples: new Float32Array(Math.round(seconds * rate)),
  rate,
});
const joined = (...parts: Sound[]): Sound => ({
  samples: Float32Array.from(parts.flatMap(({ samples }) => [...samples])),
  rate: parts[0]?.rate ?? 48_000,
});
/** Chance that is the same each time. */
function chance(seed: number) {
  let state = seed;
  return () => {
    state = (state * 1_664_525 + 1_013_904_223) % 2 ** 32;
    return state / 2 ** 31 - 1;
  };
}
/** Something like speech: buzzing that swells and stops, of a pitch and loudness of its own. */
function babble(seed: number, rate: number, seconds: number): Sound {
  const random = chance(seed);
  const samples = new Float32Array(Math.round(rate * seconds));
  let [pitch, level] = [120, 0.2];
  for (let i = 0; i < samples.length; i++) {
    if (i % Math.round(rate / 5) === 0) {
      pitch = 90 + 120 * Math.abs(random());
      level = random() > -0.4 ? 0.05 + 0.3 * Math.abs(random()) : 0;
    }
    const buzz = ((pitch * i) / rate) % 1;
    samples[i] = level * (1.4 * buzz - 0.7 + 0.15 * random());
  }
  return { samples, rate };
}

describe('the filters', () => {
  it('are those of ITU-R BS.1770-4, tables 1 and 2, at 48 kHz', () => {
    const [shelf, deep] = hearing(48_000);
    const near = (is: readonly number[], ought: number[]) =>
      is.forEach((v, i) => {
        expect(v).toBeCloseTo(ought[i] ?? 0, 9);
      });
    near(shelf.b, [1.53512485958697, -2.69169618940638, 1.19839281085285]);
    near(shelf.a, [-1.69065929318241, 0.73248077421585]);
    near(deep.b, [1, -2, 1]);
    near(deep.a, [-1.99004745483398, 0.99007225036621]);
  });
});

describe('loudness', () => {
  it('of a sine of 997 Hz at full scale is -3.01 LUFS in one channel (ITU-R BS.1770-4)', () => {
    expect(loudnessOf(sine(997, 5))).toBeCloseTo(-3.01, 1);
  });

  it('of a sine of 1 kHz at -23 dB is -26 LUFS in one channel (from EBU Tech 3341, case 1, of two channels)', () => {
    expect(loudnessOf(sine(1000, 20, { level: 10 ** (-23 / 20) }))).toBeCloseTo(-26, 0);
  });

  it('is not changed by silence before, between and after, nor by what is far softer (EBU Tech 3341, case 3)', () => {
    const tone = sine(1000, 12, { level: 0.1 });
    const soft = sine(1000, 2, { level: 0.1 * 10 ** (-13 / 20) });
    const alone = loudnessOf(tone) ?? 0;
    // Blocks that lie half in the silence are a little softer.
    const within = Math.abs((loudnessOf(joined(silence(4), tone, silence(6))) ?? 0) - alone);
    expect(within).toBeLessThan(0.2);
    expect(loudnessOf(joined(soft, tone, soft))).toBeCloseTo(alone, 0);
    expect(loudnessOf(tone, silence(9), tone)).toBeCloseTo(alone, 1);
  });

  it('is nothing where nothing is to be heard', () => {
    expect(loudnessOf()).toBeNull();
    expect(loudnessOf(silence(3), { samples: new Float32Array(0), rate: 8000 })).toBeNull();
  });
});

/** A second of sound is much to look at. */
const LOUD_RUNS = RUNS / 2;

const folder = mkdtempSync(path.join(tmpdir(), 'loudness-'));
afterAll(() => rmSync(folder, { recursive: true }));
/** What the `ebur128` filter of ffmpeg, a program of its own, says of a sound. */
function judged(sound: Sound): { lufs: number; peak: number } {
  const file = path.join(folder, 'sound.wav');
  writeFileSync(file, wavOf(sound));
  const args = ['-nostats', '-i', file, '-filter_complex', 'ebur128=peak=true', '-f', 'null', '-'];
  const { stderr, error } = spawnSync('ffmpeg', args);
  if (error) throw error;
  const summary = stderr.toString().split('Summary').at(-1) ?? '';
  const number = (name: string) => Number(new RegExp(`${name}:\\s+(-?[\\d.]+)`).exec(summary)?.[1]);
  return { lufs: number('I'), peak: number('Peak') };
}

describe('against the ebur128 filter of ffmpeg', () => {
  it.each([
    ['a low tone', sine(80, 3, { level: 0.3 })],
    ['a high tone', sine(3200, 3, { level: 0.3, rate: 44_100 })],
    ['a soft tone', sine(440, 4, { level: 0.02, rate: 22_050 })],
    ['a tone between silence', joined(silence(2), sine(300, 2, { level: 0.5 }), silence(3))],
    ['a tone that falls between its samples', sine(12_000 - 0.1, 2, { level: 0.7 })],
    ['babble', babble(1, 22_050, 6)],
    ['babble at another rate', babble(2, 44_100, 6)],
    ['babble of a telephone', babble(3, 16_000, 8)],
    ['babble, long', babble(4, 24_000, 20)],
    ['babble, levelled', levelled(babble(5, 22_050, 6))],
  ])('%s is as loud, within 0.3 LU, and as high, within 0.3 dB', (_, sound) => {
    const { lufs, peak } = judged(sound);
    expect(Math.abs((loudnessOf(sound) ?? 0) - lufs)).toBeLessThanOrEqual(0.3);
    expect(Math.abs(truePeakOf(sound.samples) - peak)).toBeLessThanOrEqual(0.3);
  });
});

describe('what is said', () => {
  const sounds = fc.record({
    seed: fc.integer({ min: 1, max: 1_000_000 }),
    rate: fc.constantFrom(16_000, 22_050),
    db: fc.integer({ min: -11, max: 6 }),
  });

  it('is brought to one loudness, and its true peak stays below the highest that may be', () => {
    fc.assert(
      fc.property(sounds, ({ seed, rate, db }) => {
        const made = babble(seed, rate, 1);
        const before = loudnessOf(made);
        if (before === null) return;
        const sound = louder(made, SPOKEN_LUFS + db - before);
        const after = levelled(sound);
        expect(truePeakOf(after.samples)).toBeLessThanOrEqual(HIGHEST_DBTP + 0.1);
        // Holding peaks takes a little away.
        expect(loudnessOf(after)).toBeLessThan(SPOKEN_LUFS + 0.05);
        expect(loudnessOf(after)).toBeGreaterThan(SPOKEN_LUFS - 1.2);
        expect(after.samples).toHaveLength(sound.samples.length);
      }),
      { numRuns: LOUD_RUNS },
    );
  });

  it('is left as it is where it is silent, and a whisper is not made a shout', () => {
    expect(levelled(silence(1)).samples.every((s) => s === 0)).toBe(true);
    const whisper = louder(babble(7, 16_000, 2), -35);
    const risen = (loudnessOf(levelled(whisper)) ?? 0) - (loudnessOf(whisper) ?? 0);
    expect(risen).toBeCloseTo(12, 1);
  });

  it('keeps its form but for its peaks', () => {
    const sound = babble(9, 22_050, 1);
    const up = louder(sound, 6);
    const lower = up.samples.filter((s, i) => Math.abs(s - 2 * (sound.samples[i] ?? 0)) > 0.02);
    expect(lower.length).toBeLessThan(0.05 * up.samples.length);
  });
});

it('what is said begins at once and stays as long as it was, with all that was heard', () => {
  const rate = 22_050;
  const said = babble(12, rate, 1);
  const late = joined(silence(0.08, rate), said);
  const { samples } = prompt(late);
  expect(samples).toHaveLength(late.samples.length);
  const onset = samples.findIndex((s) => Math.abs(s) > 0.004) / rate;
  expect(onset).toBeLessThanOrEqual(0.006);
  const at = Math.round(0.08 * rate) + said.samples.findIndex((s) => Math.abs(s) > 0.004);
  const moved = at - Math.round(onset * rate);
  for (let i = 0; i + moved < samples.length; i++) {
    expect(samples[i]).toBe(late.samples[i + moved]);
  }
  expect(prompt(silence(1)).samples.every((s) => s === 0)).toBe(true);
});

it('a filter comes to rest in silence, where numbers next to nothing would make it crawl', () => {
  const rate = 22_050;
  const { samples } = joined(sine(997, 1, { rate }), silence(60, rate));
  const smallest = 2.2e-308;
  const slow = filtered(samples, ...hearing(rate)).filter((s) => s !== 0 && Math.abs(s) < smallest);
  expect(slow.length).toBe(0);
});

it('peaks that nobody asks about need not be exact, all others are', () => {
  const { samples } = babble(11, 22_050, 1);
  const [all, high] = [peaksOf(samples), peaksOf(samples, 0.3)];
  all.forEach((peak, i) => {
    if (peak > 0.3) expect(high[i]).toBe(peak);
  });
  expect(Math.max(...all)).toBeGreaterThan(Math.max(...samples.map(Math.abs)));
});

it('peaks are held as if every sample were looked at, wherever they are', () => {
  const rate = 22_050;
  const reach = Math.round(0.004 * rate);
  /** Looks at each sample, and softens around each peak. */
  const plainly = (samples: Float32Array, ceiling: number): Float32Array => {
    const peaks = peaksOf(samples, ceiling);
    const share = new Float32Array(samples.length).fill(1);
    peaks.forEach((peak, at) => {
      if (peak <= ceiling || peak < (peaks[at - 1] ?? 0) || peak < (peaks[at + 1] ?? 0)) return;
      for (
        let j = Math.max(0, at - 2 * reach);
        j <= Math.min(share.length - 1, at + 2 * reach);
        j++
      ) {
        const away = Math.max(0, (Math.abs(j - at) - reach) / reach);
        const down = 1 - (1 - ceiling / peak) * (0.5 + 0.5 * Math.cos(Math.PI * away));
        share[j] = Math.min(share[j] ?? 0, down);
      }
    });
    return samples.map((s, i) => s * (share[i] ?? 0));
  };
  const bursts = fc.array(
    fc.record({
      at: fc.integer({ min: 0, max: 1500 }),
      hz: fc.constantFrom(110, 997, 5512, 8000),
      many: fc.integer({ min: 1, max: 300 }),
      level: fc.constantFrom(0.2, 0.5, 0.8, 1, 1.3),
    }),
    { maxLength: 4 },
  );
  const highest = fc.constantFrom(-1.5, -2.2, -3.5);
  fc.assert(
    fc.property(bursts, highest, fc.integer({ min: 0, max: 1600 }), (all, db, length) => {
      const samples = new Float32Array(length);
      for (const { at, hz, many, level } of all) {
        for (let i = at; i < Math.min(length, at + many); i++) {
          samples[i] = (samples[i] ?? 0) + level * Math.sin((2 * Math.PI * hz * i) / rate + at);
        }
      }
      const made = held({ samples, rate }, db).samples;
      const plain = plainly(samples, 10 ** (db / 20));
      // Peaks that are told have 24 bits.
      const off = made.map((s, i) => Math.abs(s - (plain[i] ?? 0)));
      expect(Math.max(0, ...off)).toBeLessThan(1e-6);
    }),
    { numRuns: LOUD_RUNS },
  );
});
