import { levelled, type Sound } from '../sound';

/** A take in a teacher's own voice, cut and levelled, one channel. */
export interface Take extends Sound {
  /** It was too loud for the microphone in places. */
  clipped: boolean;
}

/** Why a take is of no use. */
export type TakeProblem = 'silent' | 'too long';

/** Longest recording of one cue, in seconds. */
export const LONGEST_SECONDS = 20;
const FRAME_S = 0.01;
/** Kept before the first and after the last sound, so that no consonant is cut off. */
const LEAD_S = 0.02;
const TAIL_S = 0.12;
const FADE_S = 0.005;
/** A sound shorter than that at the ends is a click of a key. */
const LEAST_SOUND_FRAMES = 5;
/** Anything quieter is silence, not a voice: 52 dB below full scale. */
const FLOOR = 0.0025;
/** Something this many times as loud as the noise of the room is a voice. */
const ABOVE_NOISE = 3;
/** The quietest part of a voice, as a share of its loudest: 30 dB below. */
const BELOW_LOUDEST = 0.03;
/** A whisper is made louder by that much and no more, in dB: the room comes up with it. */
const MOST_LOUDER_DB = 30;
const FULL_SCALE = 0.99;
const CLIPPED_SHARE = 0.0005;

const rms = (samples: Float32Array): number =>
  Math.sqrt(samples.reduce((sum, s) => sum + s * s, 0) / Math.max(1, samples.length));

function framesOf(samples: Float32Array, size: number): number[] {
  const frames: number[] = [];
  for (let i = 0; i < samples.length; i += size) frames.push(rms(samples.subarray(i, i + size)));
  return frames;
}

/** The first frame from which on the voice goes on for a while; -1 where it never does. */
function onset(loud: readonly boolean[]): number {
  let run = 0;
  for (const [i, is] of loud.entries()) {
    run = is ? run + 1 : 0;
    if (run === LEAST_SOUND_FRAMES) return i - run + 1;
  }
  return -1;
}

/**
 * Cuts the silence off both ends of a take, and key clicks with it, and brings it to the level of the
 * machine's voice.
 * @param samples -1 to 1
 */
export function cutAndLevel(samples: Float32Array, rate: number): Take | TakeProblem {
  const size = Math.round(FRAME_S * rate);
  const frames = framesOf(samples, size);
  const noise = [...frames].sort((a, b) => a - b)[Math.floor(frames.length / 10)] ?? 0;
  const loudest = Math.max(0, ...frames);
  const threshold = Math.max(
    FLOOR,
    BELOW_LOUDEST * loudest,
    Math.min(noise * ABOVE_NOISE, 0.3 * loudest),
  );
  const loud = frames.map((level) => level > threshold);
  const first = onset(loud);
  if (first < 0) return 'silent';
  const last = loud.length - onset([...loud].reverse());
  const from = Math.max(0, first * size - Math.round(LEAD_S * rate));
  const to = Math.min(samples.length, last * size + Math.round(TAIL_S * rate));
  if (to - from > LONGEST_SECONDS * rate) return 'too long';

  const cut = samples.slice(from, to);
  const fade = Math.round(FADE_S * rate);
  const faded = cut.map((s, i) => s * Math.min(1, (i + 1) / fade, (cut.length - i) / fade));
  const atTheLimit = cut.reduce((n, s) => n + (Math.abs(s) >= FULL_SCALE ? 1 : 0), 0);
  return {
    ...levelled({ samples: faded, rate }, MOST_LOUDER_DB),
    clipped: atTheLimit > CLIPPED_SHARE * cut.length,
  };
}
