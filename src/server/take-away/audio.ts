import { execFile, spawn } from 'node:child_process';
import { once } from 'node:events';
import { createReadStream } from 'node:fs';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { setPriority, tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { promisify } from 'node:util';
import { renderAsync } from '@resvg/resvg-js';
import { Refusal } from '@/core/calls';
import type { PhaseName } from '@/core/class';
import { coverSvg } from '@/core/film';
import { type PlayedPiece, withMusic } from '@/core/music';
import {
  bytesOf,
  limited,
  type Mark,
  markSound,
  mixed,
  type Placed,
  type Sound,
} from '@/core/sound';
import { earlyMs, shaped, soundOf, type Utterance, utteranceKey, wavHeader } from '@/core/speech';
import {
  type AudioFormat,
  chapterComments,
  chapterMetadata,
  chaptersOf,
  heardOf,
  musicUnder,
  type Part,
  partOf,
  type Worded,
  within,
} from '@/core/take-away';
import type { Db } from '../db';
import { isMissing } from '../missing';
import { musicById } from '../music/music';
import { openMusic } from '../music/read';
import type { Speaking } from '../speech/recordings';
import { speaks, speechChoice } from '../speech/teacher-speech';
import { errorFields, log } from '../watch/log';
import { lettersOf } from './letters';
import { readAhead } from './read-ahead';

/** Samples a second: as the machine's voice speaks. */
export const RATE = 22_050;
/** Longest class that is taken away as sound, in hours. */
const MOST_HOURS = 4;
/** So many are made at once at a process, one of each teacher. */
const MOST_AT_ONCE = 2;
/** How much packing gives way to all else, as `nice` counts. */
const GIVES_WAY = 5;
type Packed = Exclude<AudioFormat, 'wav'>;
/** Of MP3 and Opus so many kilobits a second, since speech needs no more. */
const ENCODED: Record<Packed, readonly string[]> = {
  mp3: ['-b:a', '64k', '-c:a', 'libmp3lame', '-compression_level', '7', '-write_xing', '0'],
  // Told how good it is to be, not how large: then nothing is packed again and again until it fits (half the time, a
  // smaller file, and nearer to the sound). The coder that it has besides takes five times as long; its tools for noise
  // are left out, which take time too.
  m4a: ['-q:a', '1', '-c:a', 'aac', '-aac_coder', 'fast', '-aac_tns', '0', '-aac_pns', '0'],
  // Of no effort: as near to the sound as of more, by measurement, in two thirds of the time.
  opus: ['-b:a', '32k', '-c:a', 'libopus', '-compression_level', '0'],
};
const FORMAT: Record<Packed, string> = { mp3: 'mp3', m4a: 'ipod', opus: 'ogg' };
/** Title, chapters and cover, of the second and third thing that is read. */
const TOLD = ['-map_metadata', '1'];
const COVER = ['-map', '2:v', '-c:v', 'copy', '-disposition:v:0', 'attached_pic'];
const UNTOLD = ['-id3v2_version', '0', '-map_metadata', '-1'];
/** As little sound as a file can have. */
const MOMENT = ['-f', 'lavfi', '-t', '0.1', '-i', `anullsrc=r=${RATE}:cl=mono`];
/** Copies sound that is packed, with its title, chapters and cover before it. */
const WITH_ALL = ['-c:a', 'copy', ...TOLD, ...COVER, '-movflags', '+faststart', '-f', 'ipod'];
/** Its beginning is written last, so that it is sent once it is whole. */
const WHOLE_FIRST: ReadonlySet<Packed> = new Set(['m4a']);
export const AUDIO_TYPES: Record<AudioFormat, string> = {
  mp3: 'audio/mpeg',
  m4a: 'audio/mp4',
  opus: 'audio/ogg',
  wav: 'audio/wav',
};

export interface AskedAudio {
  as: AudioFormat;
  /** Whether counts and tones are heard. */
  counts: boolean;
  /** Whether the music of the class is under it. */
  music?: boolean;
  /** One phase alone. */
  phase?: PhaseName;
  /** Whose turn it takes; the teacher's own where it is nobody else's. */
  by?: string;
  signal: AbortSignal;
}

/** Counts come again and again: so many sounds are kept while a class is made, a few megabytes. */
const MOST_SOUNDS = 60;
/** So many texts that were not heard yet are asked for before their turn, so that the voice never waits for the mix. */
const AHEAD = 4;
const making = new Set<string>();
const run = promisify(execFile);

/** What a class sounds like, in windows one after the other, and how many samples that will be. */
export interface ClassSound {
  windows: AsyncIterable<Float32Array>;
  samples: number;
  part: Part;
}

/**
 * A class, or a phase of it, as it is heard.
 * @throws Refusal `no-such-part`, `too-long-to-hear`, `no-voice`
 */
export async function soundOfClass(
  db: Db,
  teacher: Speaking,
  { score }: Worded,
  { counts, music = false, phase, signal }: Omit<AskedAudio, 'as'>,
): Promise<ClassSound> {
  const part = partOf(score, phase);
  if (!part) throw new Refusal('no-such-part');
  const totalMs = part.toMs - part.fromMs;
  if (totalMs > MOST_HOURS * 3_600_000) {
    throw new Refusal('too-long-to-hear', String(MOST_HOURS));
  }
  const { sounds } = await speechChoice(db, teacher);
  const marks = new Map<Mark, Sound>();
  const markOf = (mark: Mark) => {
    const made = marks.get(mark) ?? markSound(mark, RATE);
    marks.set(mark, made);
    return made;
  };
  const speak = await speaks(db, teacher, { urgency: 'prepared', signal });
  const say = async (utterance: Utterance): Promise<Sound | null> => {
    try {
      const { wav } = await speak(utterance);
      return shaped(soundOf(wav), sounds.heardOn);
    } catch (problem) {
      // Compose tells which cue cannot be said; the class goes on without it, here as on the stage.
      if (problem instanceof Refusal && problem.code === 'unspeakable') return null;
      throw problem;
    }
  };
  const whole = heardOf(score, { counts, sounds });
  const heard = within(whole, part);
  const said = readAhead(
    heard.flatMap((one) => ('says' in one ? [one.says] : [])),
    utteranceKey,
    say,
    { ahead: AHEAD, most: MOST_SOUNDS },
  );
  const earlies = new WeakMap<Sound, number>();
  const earlyOf = (sound: Sound, says: Utterance) => {
    const early = earlies.get(sound) ?? earlyMs(sound, says);
    earlies.set(sound, early);
    return early;
  };
  const placed = heard.map((one): Placed => {
    const { startMs, volume } = one;
    if ('mark' in one) return { startMs, volume, sound: async () => markOf(one.mark) };
    const { says, count, freeMs } = one;
    const early = count && {
      earlyMs: (sound: Sound) => Math.min(freeMs, earlyOf(sound, says)),
    };
    return { startMs, volume, sound: () => said(says), ...early };
  });
  // Where nothing can be said at all, it is told before anything is sent.
  const first = heard.find((h) => 'says' in h);
  if (first && 'says' in first) await said(first.says);
  const spoken = mixed(placed, { rate: RATE, totalMs });
  const under = music && musicUnder(score, whole, { shelf: await musicById(db, teacher), sounds });
  const open = ({ id }: PlayedPiece, offsetMs: number) =>
    openMusic(db, teacher, id, { offsetMs, rate: RATE });
  const played = under
    ? withMusic(spoken, { ...under, rate: RATE, fromMs: part.fromMs, open })
    : spoken;
  return {
    windows: limited(played, RATE),
    samples: Math.round((totalMs * RATE) / 1000),
    part,
  };
}

/**
 * The sound of a class as it is made, faster than it is heard. Nothing of it is kept: where whoever asked goes away, it
 * ends.
 * @throws Refusal as `soundOfClass` does, and `sound-busy`, `no-encoder`
 */
export async function classAudio(
  db: Db,
  teacher: Speaking,
  worded: Worded,
  asked: AskedAudio,
): Promise<{ stream: Readable; bytes: number | null }> {
  const { as, signal, by = teacher.id } = asked;
  if (making.has(by) || making.size >= MOST_AT_ONCE) throw new Refusal('sound-busy');
  making.add(by);
  try {
    const { windows, samples, part } = await soundOfClass(db, teacher, worded, asked);
    const stream =
      as === 'wav'
        ? Readable.from(wavParts(windows, samples))
        : await encoded(as, windows, { worded, part, signal });
    const over = () => void making.delete(by);
    stream.once('end', over);
    stream.once('close', over);
    signal.addEventListener('abort', () => stream.destroy(), { once: true });
    return { stream, bytes: as === 'wav' ? 44 + 2 * samples : null };
  } catch (problem) {
    making.delete(by);
    throw problem;
  }
}

/** A sound as bytes of 16 bits a sample, in pieces. */
export async function* pcm(windows: AsyncIterable<Float32Array>) {
  for await (const window of windows) yield bytesOf(window);
}

async function* wavParts(windows: AsyncIterable<Float32Array>, samples: number) {
  yield wavHeader(RATE, samples);
  yield* pcm(windows);
}

/** The sound as the program packs it that is commonly used for it, with a title, a cover and a chapter for each move. */
async function encoded(
  as: Packed,
  windows: AsyncIterable<Float32Array>,
  { worded, part, signal }: { worded: Worded; part: Part; signal: AbortSignal },
): Promise<Readable> {
  const { name, language } = worded.score;
  const folder = await mkdtemp(path.join(tmpdir(), 'up-beat-sound-'));
  const done = () => void rm(folder, { recursive: true, force: true });
  const file = (of: string) => path.join(folder, of);
  const whole = WHOLE_FIRST.has(as);
  const about = ['-f', 'ffmetadata', '-i', file('chapters'), '-i', file('cover.png')];
  const packs = [...ENCODED[as], '-f', FORMAT[as]];
  const chapters = within(chaptersOf(worded, language), part);
  const head = { name, language, notes: [] };
  const ffmpeg = (...given: readonly string[]) =>
    run('ffmpeg', ['-nostdin', '-v', 'error', ...given], { signal });
  let tag: Uint8Array = NO_BYTES;
  try {
    await writeFile(file('chapters'), chapterMetadata(chapters, head));
    await writeFile(file('cover.png'), await cover(worded));
    if (as === 'mp3') {
      const moment = [...MOMENT, ...about, '-map', '0:a', ...TOLD, ...COVER];
      await ffmpeg(...moment, ...packs, file('moment'));
      tag = tagOf(await readFile(file('moment')));
    }
  } catch (problem) {
    done();
    throw isMissing(problem) ? new Refusal('no-encoder') : problem;
  }
  const raw = ['-f', 's16le', '-ar', String(RATE), '-ac', '1', '-i', 'pipe:0'];
  // What is told of the sound is put before it or after: with more than one thing to read, packing takes half as long
  // again. Opus has no usual place for a picture.
  const told = {
    mp3: UNTOLD,
    m4a: [],
    opus: chapterComments(chapters, head).flatMap((comment) => ['-metadata', comment.join('=')]),
  }[as];
  // In pieces of some size: each packet by itself is a few hundred bytes, tens of thousands of times.
  const out = ['-flush_packets', '0', whole ? file('sound') : 'pipe:1'];
  const args = ['-v', 'error', ...raw, '-map', '0:a', ...told, ...packs, ...out];
  const child = spawn('ffmpeg', args, { stdio: ['pipe', 'pipe', 'pipe'] });
  let complaint = '';
  child.stderr.on('data', (part: Buffer) => {
    complaint = (complaint + part.toString()).slice(0, 500);
  });
  const closed = new Promise<number | null>((resolve) => child.once('close', resolve));
  // What is sent from a file is sent before it goes.
  if (!whole) child.once('close', done);
  try {
    await once(child, 'spawn');
  } catch (problem) {
    done();
    throw isMissing(problem) ? new Refusal('no-encoder') : problem;
  }
  // It gives way a little to what a class is led with.
  if (child.pid) setPriority(child.pid, GIVES_WAY);
  // Whoever reads is told by what they read. Where nobody reads yet, or any more, a fault without a listener would end
  // the server: of a write that was on its way when the program ended, and of what breaks off below.
  child.stdin.on('error', () => {});
  child.stdout.on('error', () => {});
  const feed = pipeline(Readable.from(pcm(windows)), child.stdin);
  // Whoever reads is told that it broke off, by a stream that breaks off.
  feed.catch((problem: unknown) => child.stdout.destroy(problem as Error));
  const kill = () => child.kill('SIGKILL');
  signal.addEventListener('abort', kill, { once: true });
  const ended = async () => {
    if ((await closed) === 0) return;
    log().error(errorFields(new Error(complaint)), 'sound could not be packed');
    throw new Error('sound could not be packed');
  };
  if (!whole) return Readable.from(packed(child.stdout));
  try {
    // Sound that breaks off would end well all the same, only sooner.
    await Promise.all([feed, ended()]);
    await ffmpeg('-i', file('sound'), ...about, '-map', '0:a', ...WITH_ALL, file('whole'));
    const sound = createReadStream(file('whole'));
    sound.once('close', done);
    await once(sound, 'open');
    return sound;
  } catch (problem) {
    kill();
    done();
    signal.throwIfAborted();
    throw problem;
  }

  /** What it gives, which is whole only once it has ended well. */
  async function* packed(out: Readable): AsyncGenerator<Uint8Array> {
    try {
      if (tag.length > 0) yield tag;
      yield* out;
      await ended();
    } finally {
      kill();
    }
  }
}

const NO_BYTES = Buffer.alloc(0);
/** How long the head of a tag is, and where its size stands in it: in four bytes of seven bits (ID3v2.4, section 3.1). */
const TAG = { head: 10, size: 6, bits: 7 };

/** What stands before the sound of an MP3 file. */
function tagOf(mp3: Buffer): Buffer {
  const size = mp3.subarray(TAG.size, TAG.head).reduce((sum, byte) => (sum << TAG.bits) | byte, 0);
  return mp3.subarray(0, TAG.head + size);
}

/** The picture of a class as a PNG file. */
const cover = async (worded: Worded): Promise<Buffer> =>
  (await renderAsync(coverSvg(worded, lettersOf()), { font: { loadSystemFonts: false } })).asPng();
