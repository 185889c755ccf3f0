import { levelled, type Sound } from '../sound';
import type { Bed } from './shelf';

/** Two soft beds of music, made of sines and of noise: slow, without a beat and without a melody to follow. */

/** How long a bed is, in seconds, before it crosses into itself. */
export const BED_SECONDS = 128;
export const BED_MS = BED_SECONDS * 1000;
/** Samples a second that hold all there is in a bed. */
export const BED_RATE = 12_000;

interface Chord {
  /** In Hz. */
  notes: readonly number[];
  seconds: number;
}

/** A tone of the tempered scale. @param n half-tones from A below middle C, 220 Hz */
const note = (n: number): number => 220 * 2 ** (n / 12);
const chord = (seconds: number, ...halves: number[]): Chord => ({
  notes: halves.map(note),
  seconds,
});

interface Score {
  chords: readonly Chord[];
  /** How loud each partial of a note is, the note itself first. */
  partials: readonly number[];
  /** How long a chord takes to come and to go, in seconds: each goes on into the next. */
  swells: number;
  /** How much noise there is, as of water, and how long one wave of it takes, in seconds. */
  noise: number;
  wave: number;
}

const SCORES: Record<Bed, Score> = {
  tide: {
    chords: [
      chord(16, -12, -5, 2, 7),
      chord(16, -15, -3, 0, 7),
      chord(16, -10, -3, 2, 9),
      chord(16, -12, -5, 0, 4),
    ],
    partials: [1, 0.28, 0.1],
    swells: 6,
    noise: 0.5,
    wave: 10.667,
  },
  lamp: {
    chords: [
      chord(12, -12, 0, 4, 11),
      chord(12, -16, -4, 3, 8),
      chord(12, -14, -2, 2, 5),
      chord(12, -17, -5, 2, 7),
    ],
    partials: [1, 0.42, 0.18],
    swells: 4,
    noise: 0,
    wave: 1,
  },
};

/** Partials beside each other beat slowly, which makes a tone warm: by so much, as a factor. */
const DETUNED = 1.0016;

/** A bed, as loud as everything else that is heard. @param seconds how much of it */
export function bedSound(bed: Bed, rate = BED_RATE, seconds = BED_SECONDS): Sound {
  const samples = new Float32Array(Math.round(seconds * rate));
  const { chords, partials, swells, noise, wave } = SCORES[bed];
  for (let from = 0, i = 0; from < seconds; i++) {
    const { notes, seconds: lasts } = chords[i % chords.length] as Chord;
    for (const hz of notes) {
      partials.forEach((level, p) => {
        for (const voice of [hz, hz * DETUNED]) {
          // What is high is softer, as it is in most that sounds by itself.
          const soft = level * Math.min(1, 220 / hz) ** 0.5;
          const of = { from, lasts: lasts + swells, swells };
          addTone({ samples, rate }, (p + 1) * voice, { ...of, level: soft });
        }
      });
    }
    from += lasts;
  }
  if (noise > 0) addWaves({ samples, rate }, noise, wave);
  return levelled({ samples, rate }, Number.POSITIVE_INFINITY);
}

interface Tone {
  /** In seconds. */
  from: number;
  lasts: number;
  swells: number;
  level: number;
}

/** Adds a tone that swells and sinks. It turns by a fixed step each sample, which is a sine without asking for one. */
function addTone({ samples, rate }: Sound, hz: number, { from, lasts, swells, level }: Tone): void {
  const first = Math.round(from * rate);
  const end = Math.min(samples.length, Math.round((from + lasts) * rate));
  const turn = (2 * Math.PI * hz) / rate;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  // Each tone begins somewhere of its own in its turn, so that they do not all peak at once.
  const start = hz * 7.3;
  let [x, y] = [Math.cos(start), Math.sin(start)];
  for (let i = first; i < end; i++) {
    const s = (i - first) / rate;
    const share = Math.max(0, Math.min(1, s / swells, (lasts - s) / swells));
    samples[i] = (samples[i] ?? 0) + level * share * share * (3 - 2 * share) * y;
    [x, y] = [x * cos - y * sin, x * sin + y * cos];
  }
}

/** How much of each sample of noise passes: what is higher than some hundred Hz is left out. */
const DARK = 0.06;

/** Adds noise that comes and goes like water on a shore. */
function addWaves({ samples, rate }: Sound, level: number, wave: number): void {
  let seed = 7;
  let [dark, darker] = [0, 0];
  const share = 1 - (1 - DARK) ** (BED_RATE / rate);
  for (let i = 0; i < samples.length; i++) {
    // A linear congruence: the same waves each time.
    seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
    dark += share * (seed / 2 ** 31 - 1 - dark);
    darker += share * (dark - darker);
    const swell = 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / (rate * wave));
    samples[i] = (samples[i] ?? 0) + level * 8 * (0.25 + 0.75 * swell * swell) * darker;
  }
}
