import { bytesOf, type Sound } from '../sound';

/** WAV files of one channel with 16 bits and a plain header: the one kind that is written, kept and spoken. */

const HEADER_BYTES = 44;
/** Samples a second that a file may have, from and to. */
const RATES = [8000, 48_000] as const;

/** How many bytes of a file `wavMs` needs to see. */
export const WAV_HEADER_BYTES = HEADER_BYTES;

/** The beginning of a WAV file whose samples follow. */
export function wavHeader(rate: number, samples: number): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEADER_BYTES);
  const view = new DataView(bytes.buffer);
  const write = (at: number, name: string) =>
    [...name].forEach((c, i) => {
      view.setUint8(at + i, c.charCodeAt(0));
    });
  write(0, 'RIFF');
  view.setUint32(4, HEADER_BYTES - 8 + 2 * samples, true);
  write(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  write(36, 'data');
  view.setUint32(40, 2 * samples, true);
  return bytes;
}

/** A sound as a WAV file. */
export function wavOf({ samples, rate }: Sound): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEADER_BYTES + 2 * samples.length);
  bytes.set(wavHeader(rate, samples.length));
  bytes.set(bytesOf(samples), HEADER_BYTES);
  return bytes;
}

/** The samples of such a file, from -1 to 1. @throws Error where it is of another kind */
export function soundOf(bytes: Uint8Array): Sound {
  if (wavMs(bytes) === null) throw new Error('this is no WAV file of one channel with 16 bits');
  const said = numbersOf(bytes.subarray(HEADER_BYTES));
  const samples = new Float32Array(said.length);
  for (let i = 0; i < samples.length; i++) samples[i] = (said[i] as number) / 32_768;
  return { samples, rate: viewOf(bytes).getUint32(24, true) };
}

/** Numbers of 16 bits, the low byte first, as every machine that browsers and Node run on keeps them too. */
function numbersOf(bytes: Uint8Array): Int16Array {
  // They are read where they are, unless they stand between the places of such numbers.
  const { buffer, byteOffset } = bytes.byteOffset % 2 === 0 ? bytes : new Uint8Array(bytes);
  return new Int16Array(buffer, byteOffset, bytes.length >> 1);
}

const viewOf = (bytes: Uint8Array) =>
  new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);

/**
 * Writes into a file's header how long the file is: a program that streams did not know it yet.
 * @throws Error where it is no WAV file at all
 */
export function withTrueLength<B extends Uint8Array>(bytes: B): B {
  if (bytes.length < HEADER_BYTES || nameIn(bytes, 0) !== 'RIFF') {
    throw new Error('this is no WAV file');
  }
  const view = viewOf(bytes);
  view.setUint32(4, bytes.length - 8, true);
  view.setUint32(40, bytes.length - HEADER_BYTES, true);
  return bytes;
}

const nameIn = (bytes: Uint8Array, at: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + 4));

/**
 * The length of such a file in whole ms, rounded up; null where it is of another kind.
 * @param bytes the file, or at least its header
 * @param size of the whole file, in bytes
 */
export function wavMs(bytes: Uint8Array, size = bytes.length): number | null {
  if (bytes.length < HEADER_BYTES || size <= HEADER_BYTES) return null;
  const view = viewOf(bytes);
  const rate = view.getUint32(24, true);
  const plain =
    nameIn(bytes, 0) === 'RIFF' &&
    nameIn(bytes, 8) === 'WAVE' &&
    nameIn(bytes, 12) === 'fmt ' &&
    nameIn(bytes, 36) === 'data' &&
    view.getUint16(20, true) === 1 &&
    view.getUint16(22, true) === 1 &&
    view.getUint16(34, true) === 16 &&
    rate >= RATES[0] &&
    rate <= RATES[1] &&
    view.getUint32(28, true) === 2 * rate &&
    view.getUint32(40, true) === size - HEADER_BYTES;
  return plain ? Math.ceil(((size - HEADER_BYTES) * 1000) / (2 * rate)) : null;
}
