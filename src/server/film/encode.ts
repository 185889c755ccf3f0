import { FILM_SIZES, type FilmFormat, type FilmShape, FRAMES_A_SECOND } from '@/core/film';
import { type Coder, highestBefore, pack } from '../packing';

/** How pictures and sound are packed as a film. */

/** How much packing gives way to all else, as `nice` counts. */
const GIVES_WAY = 15;

/** A whole picture every so often, so that a player finds its place; a part of a film begins with one. */
const WHOLE_EVERY = 5 * FRAMES_A_SECOND;
const PICTURES: Record<FilmFormat, readonly string[]> = {
  mp4: ['-c:v', 'libx264', '-preset', 'veryfast', '-crf', '22', '-bf', '0'],
  webm: [
    ...['-c:v', 'libvpx-vp9', '-deadline', 'realtime', '-cpu-used', '8', '-row-mt', '1'],
    ...['-crf', '34', '-b:v', '0'],
  ],
};
const SOUND: Record<FilmFormat, Coder> = {
  mp4: { args: ['-c:a', 'aac', '-aac_coder', 'fast', '-b:a', '96k'], higher: 0.5 },
  webm: { args: ['-c:a', 'libopus', '-b:a', '48k'], higher: 1.2 },
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

/** How high the true peak of a film's sound may be before it is packed, in dBTP. */
export const highestIn = (format: FilmFormat): number => highestBefore(SOUND[format]);

/** Pictures one after the other as a part of a film. */
export const packPictures = (
  { format, shape }: { format: FilmFormat; shape: FilmShape },
  given: Iterable<Uint8Array>,
  file: string,
): Promise<void> => {
  const { width, height } = FILM_SIZES[shape];
  const raw = ['-f', 'rawvideo', '-pix_fmt', 'rgba', '-s', `${width}x${height}`];
  const args = [
    ...raw,
    ...['-r', String(FRAMES_A_SECOND), '-i', 'pipe:0'],
    ...PICTURES[format],
    ...COLOURS,
    ...['-g', String(WHOLE_EVERY), '-f', 'matroska', file],
  ];
  return pack({ args, given, givesWay: GIVES_WAY });
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
  const args = [
    ...inputs,
    ...['-map', '0:v', '-map', '1:a', ...tracks, '-map_metadata', '2', '-map_chapters', '2'],
    ...['-c:v', 'copy', ...SOUND[format].args],
    ...(captions.length > 0 ? ['-c:s', WORDS[format]] : []),
    ...CONTAINER[format],
    file,
  ];
  return pack({ args, given: sound, givesWay: GIVES_WAY, signal });
}
