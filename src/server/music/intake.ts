import { execFile } from 'node:child_process';
import { open } from 'node:fs/promises';
import { Refusal } from '@/core/calls';
import { LONGEST_PIECE_MINUTES, SHORTEST_PIECE_SECONDS } from '@/core/music';
import { SPOKEN_LUFS } from '@/core/sound';
import { errorFields, log } from '../watch/log';
import { type Limits, NOT_FOUND, withLimits } from '../with-limits';

/** How a file of music is taken in: looked at, measured, and packed as every browser plays it. */

/** How long reading may take, and what it may take of the machine: files are brought by anybody who may sign in. */
const LIMIT_MS = 180_000;
const LIMITS: Limits = { cpuSeconds: 180, kilobytes: 4_000_000, nice: 10 };
/** Nothing is made louder by more: noise would come up with it. */
const MOST_LOUDER_DB = 20;
/** As high as a peak may go before it is packed, as a share of full scale: packing adds a little. */
const HIGHEST = 0.75;
/** Softer than that is silence, in LUFS (ITU-R BS.1770-4). */
const SILENT_LUFS = -69;
const STEREO = 'aformat=channel_layouts=stereo';
/** Two channels as one, as music is put under a voice that has one. */
export const AS_ONE_CHANNEL = 'pan=mono|c0=0.5*c0+0.5*c1';
const LONGEST_S = LONGEST_PIECE_MINUTES * 60;

/**
 * How a file begins, by its kind. What reads it is told the kind, so that no file can pass for a list of other files.
 */
const KINDS: readonly (readonly [reader: string, at: number, signs: readonly number[]])[] = [
  ['mp3', 0, [0x49, 0x44, 0x33]], // ID3
  ['ogg', 0, [0x4f, 0x67, 0x67, 0x53]], // OggS
  ['flac', 0, [0x66, 0x4c, 0x61, 0x43]], // fLaC
  ['wav', 8, [0x57, 0x41, 0x56, 0x45]], // RIFF....WAVE
  ['mov', 4, [0x66, 0x74, 0x79, 0x70]], // ....ftyp
];

/** What reads a file, by its first bytes; null where it is none of the kinds. */
export function readerOf(head: Uint8Array): string | null {
  for (const [reader, at, signs] of KINDS) {
    if (signs.every((sign, i) => head[at + i] === sign)) return reader;
  }
  // A frame of MPEG audio without a tag before it: eleven bits that are set, and a layer.
  const [a = 0, b = 0] = head;
  return a === 0xff && (b & 0xe0) === 0xe0 && (b & 0x06) !== 0 ? 'mp3' : null;
}

/** Runs a program that gives way. @returns what it tells @throws Refusal `no-music-here`; the signal's reason */
function run(program: string, args: readonly string[], signal?: AbortSignal): Promise<string> {
  return new Promise((resolve, reject) => {
    const limits = { timeout: LIMIT_MS, maxBuffer: 1_000_000, ...(signal && { signal }) };
    const child = execFile(
      ...withLimits([program, ...args], LIMITS),
      limits,
      (problem, out, told) => {
        if (!problem) return resolve(out + told);
        reject(problem.code === NOT_FOUND ? new Refusal('no-music-here') : problem);
      },
    );
    child.stdin?.end();
  });
}

/** Nothing but the file itself may be read, and nothing of it but its first sound. */
const source = (reader: string, file: string) => [
  ...['-nostdin', '-protocol_whitelist', 'file', '-f', reader, '-i', file],
  ...['-map', '0:a:0', '-t', String(LONGEST_S + 1)],
];

/** How long a file says that it is; not a number where it says nothing. */
async function secondsOf(file: readonly string[], signal?: AbortSignal): Promise<number> {
  const asked = ['-v', 'error', '-protocol_whitelist', 'file', '-show_entries', 'format=duration'];
  return Number(await run('ffprobe', [...asked, '-of', 'csv=p=0', ...file], signal));
}

/**
 * Makes the file that is kept of one that was brought: MP3, as loud as all else is said, its peaks held, without the
 * tags and pictures it may have had.
 * @returns how long it is, in ms
 * @throws Refusal `no-music`, `silent-music`, `music-too-long`, `music-too-short`, `no-music-here`
 */
export async function packMusic(
  { from, to }: { from: string; to: string },
  signal?: AbortSignal,
): Promise<number> {
  const file = await open(from);
  const head = new Uint8Array(16);
  await file.read(head);
  await file.close();
  const reader = readerOf(head);
  if (!reader) throw new Refusal('no-music');
  const read = async (args: readonly string[]) => {
    try {
      return await run('ffmpeg', args, signal);
    } catch (problem) {
      if (problem instanceof Refusal || signal?.aborted) throw problem;
      log().info(errorFields(problem), 'a file is no music');
      throw new Refusal('no-music');
    }
  };
  const fits = (seconds: number) => {
    if (seconds > LONGEST_S) throw new Refusal('music-too-long', String(LONGEST_PIECE_MINUTES));
    if (seconds < SHORTEST_PIECE_SECONDS) {
      throw new Refusal('music-too-short', String(SHORTEST_PIECE_SECONDS));
    }
  };
  // What a file says of its length is looked at before all of it is read; some say nothing.
  fits(await secondsOf(['-f', reader, from], signal).catch(() => Number.NaN));
  const hears = `${STEREO},${AS_ONE_CHANNEL},ebur128=framelog=verbose`;
  const told = await read([...source(reader, from), '-af', hears, '-f', 'null', '-']);
  const is = Number([...told.matchAll(/I:\s+(-?[\d.]+|-inf) LUFS/g)].at(-1)?.[1]);
  if (!(is > SILENT_LUFS)) throw new Refusal('silent-music');
  const db = Math.min(MOST_LOUDER_DB, SPOKEN_LUFS - is);
  const levels = `${STEREO},volume=${db.toFixed(2)}dB,alimiter=limit=${HIGHEST}:level=false`;
  await read([
    ...['-v', 'error', '-y', ...source(reader, from), '-af', levels, '-ar', '44100'],
    ...['-map_metadata', '-1', '-c:a', 'libmp3lame', '-b:a', '112k', '-f', 'mp3', to],
  ]);
  const seconds = await secondsOf([to], signal);
  fits(seconds);
  return Math.round(seconds * 1000);
}
