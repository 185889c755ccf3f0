import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HIGHEST_DBTP, held, limited, loudnessOf, truePeakOf, type Window } from '../sound';
import {
  asFactor,
  BEDS,
  bedSound,
  CROSS_MS,
  DUCK_MS,
  ducking,
  FADE_IN_MS,
  FADE_OUT_MS,
  fadeAt,
  HOLD_MS,
  levelAt,
  type MusicId,
  type MusicReader,
  musicLevels,
  type PlayedPiece,
  piecesOf,
  placeIn,
  RISE_MS,
  stretchesOf,
  type TimedPiece,
  withMusic,
} from '.';

const timed = (n: number, ms: number): TimedPiece => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  ms,
});
const shelf = (all: readonly TimedPiece[]) => new Map(all.map((one) => [one.id as string, one]));

const spokenArbitrary = fc.array(
  fc
    .tuple(fc.nat(600), fc.integer({ min: 1, max: 80 }))
    .map(([at, length]) => ({ fromMs: at * 100, toMs: (at + length) * 100 })),
  { maxLength: 12 },
);

describe('stepping back for the voice', () => {
  /** The level of each tenth of a second, by looking at each of them: whether somebody speaks, and how long ago. */
  function naive(spoken: readonly { fromMs: number; toMs: number }[], underDb: number) {
    const ticks = 800;
    const { under, alone } = musicLevels(underDb);
    const speaks = Array.from({ length: ticks }, (_, i) =>
      spoken.some(({ fromMs, toMs }) => i * 100 >= fromMs && i * 100 < toMs),
    );
    return speaks.map((now, i) => {
      if (now) return under;
      let [since, until] = [0, 0];
      while (i - since >= 0 && !speaks[i - since]) since++;
      while (i + until < ticks && !speaks[i + until]) until++;
      const before = i - since >= 0;
      const after = i + until < ticks;
      // From the end of the last tick that was spoken.
      const [goneMs, comesMs] = [(since - 1) * 100, until * 100];
      if (before && after && goneMs + comesMs <= HOLD_MS + RISE_MS + DUCK_MS) return under;
      const risen = before ? Math.max(0, Math.min(1, (goneMs - HOLD_MS) / RISE_MS)) : 1;
      const fallen = after ? Math.max(0, 1 - comesMs / DUCK_MS) : 0;
      return under + (alone - under) * Math.min(risen, 1 - fallen);
    });
  }

  it('is at each moment where somebody who looks at every tenth of a second has it', () => {
    fc.assert(
      fc.property(spokenArbitrary, fc.constantFrom(6, 12, 20, 28), (spoken, underDb) => {
        const points = ducking(spoken, underDb);
        naive(spoken, underDb).forEach((ought, i) => {
          expect(levelAt(points, i * 100, underDb)).toBeCloseTo(ought, 6);
        });
      }),
      { numRuns: RUNS },
    );
  });

  it('stays down while counts follow each other, and takes its time to come back', () => {
    const counts = Array.from({ length: 10 }, (_, i) => ({
      fromMs: 10_000 + i * 1000,
      toMs: 10_300 + i * 1000,
    }));
    const points = ducking(counts, 20);
    expect(points).toHaveLength(4);
    expect(levelAt(points, 0, 20)).toBe(-12);
    for (let ms = 10_000; ms < 19_900; ms += 50) expect(levelAt(points, ms, 20)).toBe(-20);
    const back = [20, 21, 22, 23].map((s) => levelAt(points, s * 1000, 20));
    expect(back[0]).toBeLessThan(-19);
    expect(back).toEqual(back.toSorted((a, b) => a - b));
    expect(back[3]).toBeCloseTo(-12, 0);
  });

  it('is never as loud as the voice', () => {
    for (const underDb of [6, 8, 12, 20, 40]) {
      const { under, alone } = musicLevels(underDb);
      expect(under).toBe(-underDb);
      expect(alone).toBeGreaterThanOrEqual(under);
      expect(alone).toBeLessThanOrEqual(-4);
    }
  });
});

describe('pieces one after the other', () => {
  const lengthsOf = fc.array(fc.integer({ min: 20_000, max: 200_000 }), {
    minLength: 1,
    maxLength: 5,
  });

  it('go on without a gap, no more than two at once, and are over with the class', () => {
    fc.assert(
      fc.property(
        lengthsOf,
        fc.array(fc.oneof(fc.constant(0), fc.integer({ min: 5000, max: 400_000 })), {
          minLength: 1,
          maxLength: 5,
        }),
        (lengths, phases) => {
          const all = lengths.map((ms, i) => timed(i, ms));
          let at = 0;
          const stretches = stretchesOf(
            phases.map((ms, i) => {
              const fromMs = at;
              at += ms;
              // Each phase begins with another piece, so that none is joined to the next.
              const ids = all.map(({ id }) => id);
              return { fromMs, toMs: at, playlist: i % 2 ? ids : ids.toReversed() };
            }),
          );
          const pieces = piecesOf(stretches, shelf(all), at);
          for (const { fromMs, toMs } of stretches) {
            const own = pieces.filter((p) => p.fromMs >= fromMs && p.fromMs < toMs);
            expect(own[0]?.fromMs).toBe(fromMs);
            for (let ms = fromMs; ms < toMs - CROSS_MS; ms += 500) {
              const heard = own.filter((p) => ms >= p.fromMs && ms < p.toMs);
              expect(heard.length).toBeGreaterThanOrEqual(1);
              expect(heard.length).toBeLessThanOrEqual(2);
              const power = heard.reduce((sum, p) => sum + fadeAt(p, ms) ** 2, 0);
              // One that gives way to another is as loud with it as alone.
              if (ms >= fromMs + FADE_IN_MS) expect(power).toBeCloseTo(1, 6);
            }
            const last = own.at(-1) as PlayedPiece;
            expect(last.toMs).toBeLessThanOrEqual(Math.min(at, toMs + FADE_OUT_MS));
            expect(fadeAt(last, last.toMs - 1)).toBeLessThan(0.1);
          }
        },
      ),
      { numRuns: RUNS },
    );
  });

  it('are found again at any moment, as after a reload', () => {
    fc.assert(
      fc.property(lengthsOf, fc.nat(900_000), (lengths, intoMs) => {
        const all = lengths.map((ms, i) => timed(i, ms));
        const playlist = all.map(({ id }) => id);
        const endless = { fromMs: 0, toMs: 10_000_000, playlist };
        const pieces = piecesOf([endless], shelf(all), endless.toMs);
        const last = pieces.filter((p) => p.fromMs <= intoMs).at(-1) as PlayedPiece;
        const { index, offsetMs } = placeIn(all, intoMs);
        expect(all[index]?.id).toBe(last.id);
        expect(offsetMs).toBeCloseTo(intoMs - last.fromMs, 3);
      }),
      { numRuns: RUNS },
    );
  });

  it('go on over the border of two phases that have the same playlist; what is gone is passed over', () => {
    const there = timed(1, 60_000);
    const playlist: MusicId[] = [timed(9, 0).id, there.id];
    const stretches = stretchesOf([
      { fromMs: 0, toMs: 50_000, playlist },
      { fromMs: 50_000, toMs: 90_000, playlist },
      { fromMs: 90_000, toMs: 120_000, playlist: [] },
    ]);
    expect(stretches).toEqual([{ fromMs: 0, toMs: 90_000, playlist }]);
    const pieces = piecesOf(stretches, shelf([there]), 120_000);
    expect(pieces.map(({ id, fromMs, toMs }) => ({ id, fromMs, toMs }))).toEqual([
      { id: there.id, fromMs: 0, toMs: 60_000 },
      { id: there.id, fromMs: 54_000, toMs: 95_000 },
    ]);
    expect(piecesOf(stretches, new Map(), 120_000)).toEqual([]);
  });
});

/** @param alone whether each stretch is of one sound, in turn */
async function* cut(
  samples: Float32Array,
  sizes: readonly number[],
  alone: readonly boolean[] = [false],
): AsyncGenerator<Window> {
  for (let at = 0, i = 0; at < samples.length; i++) {
    const size = sizes[i % sizes.length] ?? 1;
    yield { samples: samples.slice(at, at + size), alone: alone[i % alone.length] ?? false };
    at += size;
  }
}

async function whole(windows: AsyncIterable<Float32Array | Window>): Promise<number[]> {
  const all: number[] = [];
  for await (const window of windows) {
    all.push(...('samples' in window ? window.samples : window));
  }
  return all;
}

describe('music under what is heard', () => {
  const rate = 1000;
  const piece = { id: 'tide', fromMs: 700, toMs: 9000, fadeInMs: 3000, fadeOutMs: 2000 } as const;
  const points = ducking([{ fromMs: 4000, toMs: 5000 }], 20);
  /** Each sample of the piece is its own place in it. */
  const opened = () => {
    const closed: PlayedPiece[] = [];
    const open = async (of: PlayedPiece, offsetMs: number): Promise<MusicReader> => {
      let at = Math.round((offsetMs * rate) / 1000);
      return {
        read: async (n) => Float32Array.from({ length: n }, () => at++),
        close: () => void closed.push(of),
      };
    };
    return { closed, open };
  };

  it('is each sample of the piece at its level, whatever the windows, from any place of the class', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.integer({ min: 1, max: 3000 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(0, 500, 700, 4321),
        async (sizes, fromMs) => {
          const { closed, open } = opened();
          const under = { rate, fromMs, pieces: [piece], points, underDb: 20, open };
          const got = await whole(withMusic(cut(new Float32Array(10_000 - fromMs), sizes), under));
          const wrong = got.filter((sample, i) => {
            const ms = fromMs + i;
            const ought =
              (ms - piece.fromMs) * asFactor(levelAt(points, ms, 20)) * fadeAt(piece, ms);
            // Its level goes in straight lines of a hundredth of a second.
            return Math.abs(sample - ought) > 0.02 * Math.abs(ought) + 4;
          });
          expect(wrong).toEqual([]);
          expect(closed).toEqual([piece]);
        },
      ),
      { numRuns: Math.min(RUNS, 40) },
    );
  });

  it('closes what it reads where nobody reads on', async () => {
    const { closed, open } = opened();
    const under = { rate, fromMs: 0, pieces: [piece], points, underDb: 20, open };
    for await (const window of withMusic(cut(new Float32Array(10_000), [1000], [true]), under)) {
      expect(window.alone).toBe(!window.samples.some((s) => s !== 0));
      if (window.samples.some((s) => s !== 0)) break;
    }
    expect(closed).toEqual([piece]);
  });
});

describe('peaks held over windows', () => {
  it('are held as in one piece, and never higher than they may be', async () => {
    const rate = 8000;
    const all = fc.array(fc.double({ min: -1.4, max: 1.4, noNaN: true }), {
      minLength: 400,
      maxLength: 1200,
    });
    const sizes = fc.array(fc.integer({ min: 128, max: 500 }), { minLength: 1, maxLength: 4 });
    const alone = fc.array(fc.boolean(), { minLength: 1, maxLength: 4 });
    const highest = fc.constantFrom(HIGHEST_DBTP, -3.5);
    await fc.assert(
      fc.asyncProperty(all, sizes, alone, highest, async (list, size, alones, most) => {
        // What is one sound alone is never too high.
        let [at, window] = [0, 0];
        const samples = Float32Array.from(list, (s) => {
          if (at === size[window % size.length]) [at, window] = [0, window + 1];
          at++;
          return alones[window % alones.length] ? s / 10 : s;
        });
        const got = await whole(limited(cut(samples, size, alones), rate, most));
        const ought = held({ samples, rate }, most).samples;
        expect(got).toHaveLength(samples.length);
        got.forEach((s, i) => {
          expect(s).toBeCloseTo(ought[i] ?? 0, 3);
        });
      }),
      { numRuns: Math.min(RUNS, 60) },
    );
  });
});

describe('the beds', () => {
  it.each(BEDS)('%s is as loud as all else, the same each time, without a hard edge', (bed) => {
    const sound = bedSound(bed);
    expect(loudnessOf(sound)).toBeCloseTo(-18, 1);
    expect(truePeakOf(sound.samples)).toBeLessThan(-1.5);
    const again = bedSound(bed).samples;
    expect(again.every((s, i) => s === sound.samples[i])).toBe(true);
    let step = 0;
    for (let i = 1; i < sound.samples.length; i++) {
      step = Math.max(step, Math.abs((sound.samples[i] ?? 0) - (sound.samples[i - 1] ?? 0)));
    }
    expect(step).toBeLessThan(0.35);
    expect(Math.abs(sound.samples[0] ?? 1)).toBeLessThan(0.01);
    // It is never silent for long: each second of it can be heard.
    for (let s = 2; s < 126; s++) {
      const second = sound.samples.subarray(s * sound.rate, (s + 1) * sound.rate);
      const power = second.reduce((sum, x) => sum + x * x, 0) / second.length;
      expect(10 * Math.log10(power)).toBeGreaterThan(-40);
    }
  });
});
