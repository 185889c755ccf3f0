/**
 * How loud a sound is to people, after ITU-R BS.1770-4, "Algorithms to measure audio programme loudness and true-peak
 * audio level": a filter that hears as the head and the ear do, the power of what is left in blocks of 400 ms, and two
 * gates that leave silence and what is far softer than the rest out.
 */

/** A sound of one channel. */
export interface Sound {
  /** From -1 to 1. */
  samples: Float32Array;
  /** Samples a second. */
  rate: number;
}

/** What counts as no sound at all, in LUFS, and how far below the rest a block is left out, in LU (BS.1770-4). */
const SILENT_LUFS = -70;
const FAR_BELOW_LU = 10;
const BLOCK_S = 0.4;
const STEP_S = 0.1;
/** So that a sine of 997 Hz at full scale reads -3.01 LUFS (BS.1770-4). */
const OFFSET_DB = -0.691;

/** A filter of the second order; `a0` is 1. */
export interface Biquad {
  b: readonly [number, number, number];
  a: readonly [number, number];
}

/**
 * The two filters of BS.1770-4 at any rate, whose tables give them at 48 kHz alone. The frequencies, slopes and gain
 * behind those tables are those in common use (from memory; a test compares with the tables).
 */
export function hearing(rate: number): [Biquad, Biquad] {
  const shelf = () => {
    const k = Math.tan((Math.PI * 1681.974450955533) / rate);
    const q = 0.7071752369554196;
    const high = 10 ** (3.999843853973347 / 20);
    const middle = high ** 0.4996667741545416;
    const a0 = 1 + k / q + k * k;
    return {
      b: [
        (high + (middle * k) / q + k * k) / a0,
        (2 * (k * k - high)) / a0,
        (high - (middle * k) / q + k * k) / a0,
      ],
      a: [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0],
    } satisfies Biquad;
  };
  const deep = () => {
    const k = Math.tan((Math.PI * 38.13547087602444) / rate);
    const q = 0.5003270373238773;
    const a0 = 1 + k / q + k * k;
    return {
      b: [1, -2, 1],
      a: [(2 * (k * k - 1)) / a0, (1 - k / q + k * k) / a0],
    } satisfies Biquad;
  };
  return [shelf(), deep()];
}

/**
 * In silence a filter never quite comes to rest, and processors work with numbers this near to nothing some twenty
 * times more slowly. It is 600 dB below what anybody hears.
 */
const AT_REST = 1e-30;
const still = (left: number): number => (left < AT_REST && left > -AT_REST ? 0 : left);

/** Samples as they leave some filters, one after the other. */
export function filtered(
  samples: Float32Array | Float64Array,
  ...filters: readonly Biquad[]
): Float64Array {
  const out = new Float64Array(samples);
  for (const { b, a } of filters) {
    const [b0, b1, b2] = b;
    const [a1, a2] = a;
    // What the samples before leave behind.
    let near = 0;
    let far = 0;
    for (let i = 0; i < out.length; i++) {
      const x = out[i] as number;
      const y = b0 * x + near;
      near = still(b1 * x - a1 * y + far);
      far = still(b2 * x - a2 * y);
      out[i] = y;
    }
  }
  return out;
}

/** The sum of the squares of all samples before each, and of all. */
export function powerUpTo(samples: Float64Array): Float64Array {
  const sums = new Float64Array(samples.length + 1);
  let sum = 0;
  for (let i = 0; i < samples.length; i++) {
    const s = samples[i] as number;
    sum += s * s;
    sums[i + 1] = sum;
  }
  return sums;
}

const lufs = (power: number): number => OFFSET_DB + 10 * Math.log10(power);
const mean = (all: readonly number[]): number => all.reduce((sum, p) => sum + p, 0) / all.length;

/** The power of each block, 400 ms long and every 100 ms; one block of all where it is shorter. */
function blocks({ samples, rate }: Sound): number[] {
  const heard = filtered(samples, ...hearing(rate));
  const upTo = powerUpTo(heard);
  const size = Math.min(heard.length, Math.round(BLOCK_S * rate));
  const step = Math.round(STEP_S * rate);
  const powers: number[] = [];
  for (let from = 0; size > 0 && from + size <= heard.length; from += step) {
    powers.push(((upTo[from + size] ?? 0) - (upTo[from] ?? 0)) / size);
  }
  return powers;
}

/**
 * The loudness of several sounds as one programme, without the silence between them.
 * @returns LUFS; null where there is nothing to be heard
 */
export function loudnessOf(...sounds: readonly Sound[]): number | null {
  const heard = sounds.flatMap(blocks).filter((power) => lufs(power) > SILENT_LUFS);
  if (heard.length === 0) return null;
  const least = lufs(mean(heard)) - FAR_BELOW_LU;
  return lufs(mean(heard.filter((power) => lufs(power) > least)));
}

/** How many samples on each side a point between samples is made of. */
const REACH = 12;

/** What a point so far between two samples is made of: a sinc under a Hann window. */
const pointAt = (share: number) =>
  Float64Array.from({ length: 2 * REACH }, (_, i) => {
    const t = i - REACH + 1 - share;
    return ((0.5 + 0.5 * Math.cos((Math.PI * t) / REACH)) * Math.sin(Math.PI * t)) / (Math.PI * t);
  });
/** Four points for each sample, itself one of them. */
const [EARLY, HALF, LATE] = [pointAt(1 / 4), pointAt(1 / 2), pointAt(3 / 4)];

/** No point between samples goes higher than so many times the highest of all that it is made of. */
const MOST_OF_ALL = Math.max(
  ...[EARLY, HALF, LATE].map((point) => point.reduce((sum, part) => sum + Math.abs(part), 0)),
);
/** A point between samples goes hardly higher than so many times the higher of the two beside it. */
const MOST_BETWEEN = 3;

/**
 * The highest that a sound goes at each sample and on the way to the next, four points each (BS.1770-4, annex 2): what
 * a loudspeaker makes of the samples goes higher than they do.
 * @param from what is below need not be exact
 */
export function peaksOf(samples: Float32Array, from = 0): Float32Array {
  const peaks = new Float32Array(samples.length);
  for (let at = 0; at < samples.length; at++) peaks[at] = peakAt(samples, at, from);
  return peaks;
}

function peakAt(samples: Float32Array, at: number, from: number): number {
  const most = Math.abs(samples[at] ?? 0);
  const beside = Math.max(most, Math.abs(samples[at + 1] ?? 0));
  if (beside * MOST_BETWEEN <= from) return most;
  const first = at - REACH + 1;
  // Never asked for what is before the first sample or after the last, which takes far longer than it looks.
  const until = Math.min(2 * REACH, samples.length - first);
  let [early, half, late] = [0, 0, 0];
  for (let i = Math.max(0, -first); i < until; i++) {
    const sample = samples[first + i] as number;
    early += (EARLY[i] as number) * sample;
    half += (HALF[i] as number) * sample;
    late += (LATE[i] as number) * sample;
  }
  return Math.max(most, Math.abs(early), Math.abs(half), Math.abs(late));
}

const inDb = (amplitude: number): number => 20 * Math.log10(amplitude);

/** The true peak of a sound, in dB below full scale; minus infinity for silence. */
export const truePeakOf = (samples: Float32Array): number =>
  inDb(peaksOf(samples).reduce((most, p) => Math.max(most, p), 0));

/** How loud all that is said is by default, in LUFS, and how high its true peak may go, in dBTP. */
export const SPOKEN_LUFS = -18;
export const HIGHEST_DBTP = -1.5;
/** How long before and after a peak it is made softer, in seconds: shorter would be heard as a crackle. */
const SOFTENED_S = 0.004;

/** Nothing is made louder by more: noise would come up with it. */
const MOST_LOUDER_DB = 12;

/** A sound as loud as everything that is said is to be; itself where there is nothing to be heard. */
export function levelled(sound: Sound, mostDb = MOST_LOUDER_DB): Sound {
  const is = loudnessOf(sound);
  return is === null ? sound : louder(sound, Math.min(mostDb, SPOKEN_LUFS - is));
}

/** Softer than that is silence, as a share of full scale: 48 dB below. */
const AUDIBLE = 0.004;
/** Kept before the first sound, in seconds, so that no consonant is cut into. */
const LEAD_S = 0.005;

/** A sound that begins at once: the silence before it is put behind it, so that it stays as long as it was. */
export function prompt({ samples, rate }: Sound): Sound {
  let onset = 0;
  while (onset < samples.length && Math.abs(samples[onset] as number) <= AUDIBLE) onset++;
  const from = Math.max(0, onset - Math.round(LEAD_S * rate));
  if (onset === samples.length || from === 0) return { samples, rate };
  const moved = new Float32Array(samples.length);
  moved.set(samples.subarray(from));
  return { samples: moved, rate };
}

/**
 * A sound made louder or softer, with its peaks held below the highest that may be.
 * @param db how much louder
 */
export function louder({ samples, rate }: Sound, db: number): Sound {
  const gain = 10 ** (db / 20);
  const made = new Float32Array(samples.length);
  for (let i = 0; i < made.length; i++) made[i] = (samples[i] as number) * gain;
  return held({ samples: made, rate });
}

/**
 * A sound with its peaks held below the highest that may be; itself where none is higher.
 * @param highest in dBTP
 */
export function held(sound: Sound, highest = HIGHEST_DBTP): Sound {
  const { samples, rate } = sound;
  const ceiling = 10 ** (highest / 20);
  const reach = Math.max(1, Math.round(SOFTENED_S * rate));
  let share: Float32Array | null = null;
  const mayBeHigh = highBlocks(samples, ceiling);
  for (let from = 0; from < samples.length; from += LOOKED_AT) {
    if (!mayBeHigh(from)) continue;
    const to = Math.min(samples.length, from + LOOKED_AT);
    // Where no sample and no point after it is higher, nothing needs to be exact.
    let before = from > 0 ? peakAt(samples, from - 1, ceiling) : 0;
    let peak = peakAt(samples, from, ceiling);
    let next = 0;
    for (let at = from; at < to; at++, before = peak, peak = next) {
      next = at + 1 < samples.length ? peakAt(samples, at + 1, ceiling) : 0;
      // The way up to a peak and down from it is held with it.
      if (peak <= ceiling || peak < before || peak < next) continue;
      share ??= shares(samples.length);
      const down = 1 - ceiling / peak;
      const until = Math.min(share.length - 1, at + 2 * reach);
      for (let j = Math.max(0, at - 2 * reach); j <= until; j++) {
        // Down by all of it near the peak, and gently there and back.
        const away = Math.max(0, (Math.abs(j - at) - reach) / reach);
        const near = 0.5 + 0.5 * Math.cos(Math.PI * away);
        share[j] = Math.min(share[j] as number, 1 - down * near);
      }
    }
  }
  if (!share) return sound;
  const made = new Float32Array(samples.length);
  for (let i = 0; i < made.length; i++) made[i] = (samples[i] as number) * (share[i] as number);
  return { samples: made, rate };
}

/** So many samples are looked at together; more than what a point between two is made of on one side. */
const LOOKED_AT = 32;

/** Tells of each such stretch, by where it begins, whether anything in it may be higher than that. */
function highBlocks(samples: Float32Array, ceiling: number): (from: number) => boolean {
  const highest = new Float32Array(Math.ceil(samples.length / LOOKED_AT));
  for (let block = 0, from = 0; from < samples.length; block++, from += LOOKED_AT) {
    const to = Math.min(samples.length, from + LOOKED_AT);
    let most = 0;
    for (let i = from; i < to; i++) most = Math.max(most, Math.abs(samples[i] as number));
    highest[block] = most;
  }
  return (from) => {
    const block = from / LOOKED_AT;
    const beside = Math.max(highest[block - 1] ?? 0, highest[block + 1] ?? 0);
    return Math.max(highest[block] as number, beside) * MOST_OF_ALL > ceiling;
  };
}

/** Where it stands what is left of each sample; the same place of memory for all sounds. */
let kept = new Float32Array(0);
function shares(length: number): Float32Array {
  if (kept.length < length) kept = new Float32Array(length);
  return kept.subarray(0, length).fill(1);
}
