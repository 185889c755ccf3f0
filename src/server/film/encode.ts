import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { setPriority } from 'node:os';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@/core/calls';
import { FILM_SIZES, type FilmFormat, type FilmShape, FRAMES_A_SECOND } from '@/core/film';
import { isMissing } from '../missing';

/** How pictures and sound are packed, by the program that is commonly used for it. */

/** How much packing gives way to all else, as `nice` counts. */
const GIVES_WAY = 15;
/** So much of what the program complains of is kept, in letters. */
const MOST_TOLD = 500;

/** A whole picture every so often, so that a player finds its place; a part of a film begins with one. */
const WHOLE_EVERY = 5 * FRAMES_A_SECOND;
const PICTURES: Record<FilmFormat, readonly string[]> = {
  mp4: ['-c:v', 'libx264', '-preset', 'veryfast', '-crf', '22', '-bf', '0'],
  webm: [
    ...['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', '-row-mt', '1'],
    ...['-crf', '34', '-b:v', '0'],
  ],
};
const SOUND: Record<FilmFormat, readonly string[]> = {
  mp4: ['-c:a', 'aac', '-aac_coder', 'fast', '-b:a', '96k'],
  webm: ['-c:a', 'libopus', '-b:a', '48k'],
};
const WORDS: Record<FilmFormat, string> = { mp4: 'mov_text', webm: 'webvtt' };
const CONTAINER: Record<FilmFormat, readonly string[]> = {
  mp4: ['-movflags', '+faststart', '-f', 'mp4'],
  webm: ['-f', 'webm'],
};
/** Colours as players expect them. */
const COLOURS = [
  ...['-vf', 'scale=out_color_matrix=bt709:out_range=tv', '-pix_fmt', 'yuv420p'],
  ...['-colorspace', 'bt709', '-color_primaries', 'bt709', '-color_trc', 'bt709'],
];

/** Whether the disk is full, by what was thrown or what a program said. */
const isFull = (problem: unknown, said = '') =>
  (problem as NodeJS.ErrnoException | undefined)?.code === 'ENOSPC' ||
  /No space left on device/i.test(said);

/** A fault as a teacher can read it, where it is one that they can do something about. */
export function told(problem: unknown, said = ''): unknown {
  if (isFull(problem, said)) return new Refusal('no-room');
  return isMissing(problem) ? new Refusal('no-encoder') : problem;
}

/** Lets the program read what is given. @throws Refusal `no-encoder`, `no-room` */
async function pack(
  args: readonly string[],
  given: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  signal?: AbortSignal,
): Promise<void> {
  const child = spawn('ffmpeg', ['-v', 'error', '-y', ...args], {
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  let complaint = '';
  child.stderr.on('data', (part: Buffer) => {
    complaint = (complaint + part.toString()).slice(0, MOST_TOLD);
  });
  const closed = new Promise<number | null>((resolve) => child.once('close', resolve));
  const kill = () => child.kill('SIGKILL');
  try {
    await once(child, 'spawn');
    if (child.pid) setPriority(child.pid, GIVES_WAY);
    signal?.addEventListener('abort', kill, { once: true });
    // A write that was on its way when the program ended fails after the pipeline has told of it.
    child.stdin.on('error', () => {});
    const fed = pipeline(Readable.from(given), child.stdin).then(
      () => null,
      (problem: unknown) => problem,
    );
    const problem = await fed;
    // Where what is given breaks off, the program would take what it has for all.
    if (problem && (problem as NodeJS.ErrnoException).code !== 'EPIPE') kill();
    const code = await closed;
    signal?.throwIfAborted();
    // It may end well and yet complain that the end of the file found no room.
    if (code === 0 && !problem && !isFull(problem, complaint)) return;
    const fault = complaint ? new Error(complaint.trim()) : problem;
    throw fault ?? new Error(`packing ended with ${code}`);
  } catch (problem) {
    throw told(problem, complaint);
  } finally {
    signal?.removeEventListener('abort', kill);
    kill();
  }
}

/** Pictures one after the other as a part of a film. */
export const packPictures = (
  { format, shape }: { format: FilmFormat; shape: FilmShape },
  given: Iterable<Uint8Array>,
  file: string,
): Promise<void> => {
  const { width, height } = FILM_SIZES[shape];
  const raw = ['-f', 'rawvideo', '-pix_fmt', 'rgba', '-s', `${width}x${height}`];
  return pack(
    [
      ...raw,
      ...['-r', String(FRAMES_A_SECOND), '-i', 'pipe:0'],
      ...PICTURES[format],
      ...COLOURS,
      ...['-g', String(WHOLE_EVERY), '-f', 'matroska', file],
    ],
    given,
  );
};

export interface Joined {
  format: FilmFormat;
  /** A list of the parts, as the program reads it. */
  parts: string;
  /** Name and chapters. */
  chapters: string;
  /** Captions beside the picture, and in which language. */
  captions: readonly { file: string; language: string }[];
  sound: AsyncIterable<Uint8Array>;
  /** Samples a second of the sound, of 16 bits each. */
  rate: number;
  file: string;
  signal: AbortSignal;
}

/** Parts, sound, chapters and captions as one film. */
export function join(of: Joined): Promise<void> {
  const { format, parts, chapters, captions, sound, rate, file, signal } = of;
  const inputs = [
    ...['-f', 'concat', '-safe', '0', '-i', parts],
    ...['-f', 's16le', '-ar', String(rate), '-ac', '1', '-i', 'pipe:0'],
    ...['-f', 'ffmetadata', '-i', chapters],
    ...captions.flatMap((c) => ['-i', c.file]),
  ];
  const tracks = captions.flatMap((c, i) => [
    ...['-map', `${3 + i}:s`, `-metadata:s:s:${i}`, `language=${c.language}`],
  ]);
  return pack(
    [
      ...inputs,
      ...['-map', '0:v', '-map', '1:a', ...tracks, '-map_metadata', '2', '-map_chapters', '2'],
      ...['-c:v', 'copy', ...SOUND[format]],
      ...(captions.length > 0 ? ['-c:s', WORDS[format]] : []),
      ...CONTAINER[format],
      file,
    ],
    sound,
    signal,
  );
}
