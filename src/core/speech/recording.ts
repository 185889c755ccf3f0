/** A take in a teacher's own voice, cut and levelled, one channel. */
export interface Take {
  samples: Float32Array;
  /** Samples a second. */
  rate: number;
  /** It was too loud for the microphone in places. */
  clipped: boolean;
}

/** Why a take is of no use. */
export type TakeProblem = 'silent' | 'too long';

/** Longest recording of one cue, in seconds. */
export const LONGEST_SECONDS = 20;
const FRAME_S = 0.01;
/** Kept before the first and after the last sound, so that no consonant is cut off. */
const LEAD_S = 0.04;
const TAIL_S = 0.12;
const FADE_S = 0.005;
/** A sound shorter than that at the ends is a click of a key. */
const LEAST_SOUND_FRAMES = 5;
/** No voice is as quiet as that: -52 dB below full scale. */
const FLOOR = 0.0025;
/** So far above the noise of the room something is a voice. */
const ABOVE_NOISE = 3;
/** So far below its loudest a voice may fall: 30 dB. */
const BELOW_LOUDEST = 0.03;
/** As loud as the machine's voice: -18 dB below full scale while it speaks (measured). */
const LEVEL = 0.126;
const LOUDEST = 0.89;
const MOST_GAIN = 30;
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
  const noise = frames.toSorted((a, b) => a - b)[Math.floor(frames.length / 10)] ?? 0;
  const loudest = Math.max(0, ...frames);
  const threshold = Math.max(
    FLOOR,
    BELOW_LOUDEST * loudest,
    Math.min(noise * ABOVE_NOISE, 0.3 * loudest),
  );
  const loud = frames.map((level) => level > threshold);
  const first = onset(loud);
  if (first < 0) return 'silent';
  const last = loud.length - onset(loud.toReversed());
  const from = Math.max(0, first * size - Math.round(LEAD_S * rate));
  const to = Math.min(samples.length, last * size + Math.round(TAIL_S * rate));
  if (to - from > LONGEST_SECONDS * rate) return 'too long';

  const spoken = frames.filter((_, i) => loud[i]);
  const level = Math.sqrt(spoken.reduce((sum, l) => sum + l * l, 0) / spoken.length);
  const cut = samples.slice(from, to);
  const peak = cut.reduce((most, s) => Math.max(most, Math.abs(s)), 0);
  const gain = Math.min(LEVEL / level, LOUDEST / peak, MOST_GAIN);
  const fade = Math.round(FADE_S * rate);
  const levelled = cut.map(
    (s, i) => s * gain * Math.min(1, (i + 1) / fade, (cut.length - i) / fade),
  );
  const atTheLimit = cut.reduce((n, s) => n + (Math.abs(s) >= FULL_SCALE ? 1 : 0), 0);
  return { samples: levelled, rate, clipped: atTheLimit > CLIPPED_SHARE * cut.length };
}

export const WAV_HEADER_BYTES = 44;

/** A take as a 16-bit WAV file of one channel. */
export function wavOf({ samples, rate }: Pick<Take, 'samples' | 'rate'>): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(WAV_HEADER_BYTES + 2 * samples.length);
  const view = new DataView(bytes.buffer);
  const write = (at: number, name: string) =>
    [...name].forEach((c, i) => {
      view.setUint8(at + i, c.charCodeAt(0));
    });
  write(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  write(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  write(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((s, i) => {
    const clamped = Math.max(-1, Math.min(1, s));
    view.setInt16(WAV_HEADER_BYTES + 2 * i, Math.round(clamped * 32_767), true);
  });
  return bytes;
}

const RATES = [8000, 48_000] as const;

/**
 * The length of a WAV file as `wavOf` makes it, in whole ms, rounded up; null where it is not one.
 */
export function wavLengthMs(bytes: Uint8Array): number | null {
  if (bytes.length <= WAV_HEADER_BYTES) return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const name = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  const rate = view.getUint32(24, true);
  const plain =
    name(0) === 'RIFF' &&
    name(8) === 'WAVE' &&
    name(12) === 'fmt ' &&
    name(36) === 'data' &&
    view.getUint16(20, true) === 1 &&
    view.getUint16(22, true) === 1 &&
    view.getUint16(34, true) === 16 &&
    rate >= RATES[0] &&
    rate <= RATES[1] &&
    view.getUint32(28, true) === 2 * rate &&
    view.getUint32(40, true) === bytes.length - WAV_HEADER_BYTES;
  return plain ? Math.ceil(((bytes.length - WAV_HEADER_BYTES) * 1000) / (2 * rate)) : null;
}
