import { createWriteStream } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { renderAsync } from '@resvg/resvg-js';
import { Refusal } from '@/core/calls';
import { coverSvg } from '@/core/film';
import { wavHeader } from '@/core/speech';
import {
  type AudioFormat,
  chapterComments,
  chapterMetadata,
  chaptersOf,
  type Part,
  type Worded,
  within,
} from '@/core/take-away';
import type { Db } from '../db';
import { type Coder, highestBefore, pack, told, Unpacked } from '../packing';
import type { Speaking } from '../speech/recordings';
import { errorFields, log } from '../watch/log';
import { readOnce, type SentFile } from '../with-folder';
import { lettersOf } from './letters';
import { type AskedSound, pcm, RATE, soundOfClass } from './sound';
import { type SoundAsker, soundQueue } from './sound-queue';
import { headOf } from './words';

/** How much packing gives way to all else, as `nice` counts. */
const GIVES_WAY = 5;
type Packed = Exclude<AudioFormat, 'wav'>;
/**
 * Where it can be, a program is told how good the sound is to be and not how large the file: then nothing is packed again
 * and again until it fits (less time, half the file, and nearer to the sound, by measurement).
 */
const CODERS: Record<Packed, Coder> = {
  mp3: { args: ['-q:a', '4', '-c:a', 'libmp3lame', '-compression_level', '7'], higher: 0.7 },
  m4a: {
    // The coder that it has besides takes five times as long; its tools for noise are left out, which take time too.
    args: ['-q:a', '1', '-c:a', 'aac', '-aac_coder', 'fast', '-aac_tns', '0', '-aac_pns', '0'],
    higher: 0.5,
  },
  opus: {
    // So many kilobits a second, since speech needs no more. Of no effort: as near to the sound as of more, by measurement, in two thirds of the time.
    // Three frames to a packet: the same sound, to a sample, in two thirds of the time again.
    args: ['-b:a', '32k', '-c:a', 'libopus', '-compression_level', '0', '-frame_duration', '60'],
    higher: 2,
  },
};
const FORMAT: Record<Packed, readonly string[]> = {
  mp3: ['-f', 'mp3'],
  m4a: ['-movflags', '+faststart', '-f', 'ipod'],
  opus: ['-f', 'ogg'],
};
/** Sound as it is given to the program. */
const RAW = ['-f', 's16le', '-ar', String(RATE), '-ac', '1', '-i', 'pipe:0', '-map', '0:a'];
/** Sound that is packed, with the title, the chapters and the cover of what is read after it. */
const TOLD = ['-map', '0:a', '-c:a', 'copy', '-map_metadata', '1'];
const COVER = ['-map', '2:v', '-c:v', 'copy', '-disposition:v:0', 'attached_pic'];
export const AUDIO_TYPES: Record<AudioFormat, string> = {
  mp3: 'audio/mpeg',
  m4a: 'audio/mp4',
  opus: 'audio/ogg',
  wav: 'audio/wav',
};

export interface AskedAudio extends AskedSound, Pick<SoundAsker, 'atHome' | 'ticket'> {
  as: AudioFormat;
  /** Who asks, where it is not the teacher. */
  by?: string;
}

/**
 * The sound of a class as a file, made when its turn comes, faster than it is heard. It is sent once it is whole, and
 * has no name on the disk by then, so that nothing is left of it; where whoever asked goes away, it ends.
 * @param wordedOf works the class out, once it has a place in the queue
 * @throws Refusal as `wordedOf`, `soundOfClass` and `SoundQueue.take` do, and `no-encoder`, `no-room`, `sound-failed`
 */
export async function classAudio(
  db: Db,
  teacher: Speaking,
  wordedOf: () => Promise<Worded>,
  asked: AskedAudio,
): Promise<SentFile> {
  const { signal, by = teacher.id, atHome = false, ticket } = asked;
  const asker = { studioId: teacher.studioId, by, atHome, signal, ...(ticket && { ticket }) };
  const place = soundQueue().take(asker);
  try {
    const worded = await wordedOf();
    const made = await place.turn((tell) => audioFile(db, teacher, worded, { ...asked, tell }));
    if (made.stream.destroyed) place.leave();
    made.stream.once('close', place.leave);
    return made;
  } catch (problem) {
    place.leave();
    if (!(problem instanceof Unpacked)) throw problem;
    log().error(errorFields(problem), 'sound could not be packed');
    throw new Refusal('sound-failed');
  }
}

async function audioFile(
  db: Db,
  teacher: Speaking,
  worded: Worded,
  { tell, ...asked }: AskedAudio & { tell: (share: number) => void },
): Promise<SentFile> {
  const { as, signal } = asked;
  const { windows, samples, part } = await soundOfClass(db, teacher, worded, {
    ...asked,
    ...(as !== 'wav' && { highest: highestBefore(CODERS[as]) }),
  });
  const sound = pcm(counted(windows, (n) => tell(Math.min(1, n / samples))));
  const written = async (folder: string) => {
    const file = path.join(folder, `class.${as}`);
    if (as === 'wav') await writeWav(file, { sound, samples, signal });
    else await packed(file, as, { sound, worded, part, folder, signal });
    return file;
  };
  return readOnce('sound', written, signal);
}

/** Tells how many samples there were so far. */
async function* counted(windows: AsyncIterable<Float32Array>, tell: (samples: number) => void) {
  let samples = 0;
  for await (const window of windows) {
    samples += window.length;
    tell(samples);
    yield window;
  }
}

interface Given {
  sound: AsyncIterable<Uint8Array>;
  signal: AbortSignal;
}

async function writeWav(file: string, { sound, samples, signal }: Given & { samples: number }) {
  const parts = async function* () {
    yield wavHeader(RATE, samples);
    yield* sound;
  };
  try {
    await pipeline(Readable.from(parts()), createWriteStream(file), { signal });
  } catch (problem) {
    signal.throwIfAborted();
    throw told(problem);
  }
}

/** The sound as it is packed, with a title, a cover and a chapter for each move. */
async function packed(
  file: string,
  as: Packed,
  { sound, signal, worded, part, folder }: Given & { worded: Worded; part: Part; folder: string },
): Promise<void> {
  const { language } = worded.score;
  const chapters = within(chaptersOf(worded, language), part);
  const head = headOf(worded, language);
  const how = { givesWay: GIVES_WAY, signal };
  const packs = (more: readonly string[], to: string) =>
    pack({ args: [...RAW, ...more, ...CODERS[as].args, ...FORMAT[as], to], given: sound, ...how });
  if (as === 'opus') {
    // It has no usual place for a picture.
    const comments = chapterComments(chapters, head).flatMap((c) => ['-metadata', c.join('=')]);
    return packs(comments, file);
  }
  // What is told of the sound is put to it after: with more than one thing to read, packing takes half as long again.
  const alone = path.join(folder, 'sound');
  const about = path.join(folder, 'chapters');
  const picture = path.join(folder, 'cover.png');
  const beside = Promise.allSettled([
    writeFile(about, chapterMetadata(chapters, head)),
    cover(worded).then((png) => writeFile(picture, png)),
  ]);
  // However packing goes: what is still written while its folder goes would keep the folder for good.
  await packs([], alone).finally(() => beside);
  for (const one of await beside) if (one.status === 'rejected') throw told(one.reason);
  const read = ['-i', alone, '-f', 'ffmetadata', '-i', about, '-i', picture];
  await pack({ args: [...read, ...TOLD, ...COVER, ...FORMAT[as], file], ...how });
}

/** The picture of a class as a PNG file. */
const cover = async (worded: Worded): Promise<Buffer> =>
  (await renderAsync(coverSvg(worded, lettersOf()), { font: { loadSystemFonts: false } })).asPng();
