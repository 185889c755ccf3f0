import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { setPriority, tmpdir } from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { Refusal } from '@/core/calls';
import type { PhaseName } from '@/core/class';
import { bytesOf, type Mark, markSound, mixed, type Placed, type Sound } from '@/core/sound';
import { earlyMs, soundOf, type Utterance, wavHeader } from '@/core/speech';
import {
  type AudioFormat,
  chapterMetadata,
  chaptersOf,
  heardOf,
  type Part,
  partOf,
  type Worded,
  within,
} from '@/core/take-away';
import type { Db } from '../db';
import type { Speaking } from '../speech/recordings';
import { speaks, speechChoice } from '../speech/teacher-speech';
import { errorFields, log } from '../watch/log';

/** Samples a second: as the machine's voice speaks. */
export const RATE = 22_050;
/** Longest class that is taken away as sound, in hours. */
const MOST_HOURS = 4;
/** So many are made at once at a process, one of each teacher. */
const MOST_AT_ONCE = 2;
/** How much packing gives way to all else, as `nice` counts. */
const GIVES_WAY = 5;
/** Kilobits a second: speech needs no more. */
const KILOBITS = { mp3: 64, opus: 32 } as const;
const ENCODED = {
  mp3: [
    ...['-c:a', 'libmp3lame', '-b:a', `${KILOBITS.mp3}k`, '-compression_level', '7'],
    ...['-write_xing', '0', '-f', 'mp3'],
  ],
  opus: [
    ...['-c:a', 'libopus', '-b:a', `${KILOBITS.opus}k`, '-compression_level', '2'],
    ...['-f', 'ogg'],
  ],
} as const;
export const AUDIO_TYPES: Record<AudioFormat, string> = {
  mp3: 'audio/mpeg',
  opus: 'audio/ogg',
  wav: 'audio/wav',
};

export interface AskedAudio {
  as: AudioFormat;
  /** Whether counts and tones are heard. */
  counts: boolean;
  /** One phase alone. */
  phase?: PhaseName;
  signal: AbortSignal;
}

const making = new Set<string>();

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
  { counts, phase, signal }: Omit<AskedAudio, 'as'>,
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
  const said = async (utterance: Utterance) => {
    try {
      const { wav } = await speak(utterance);
      return soundOf(wav);
    } catch (problem) {
      // Compose tells which cue cannot be said; the class goes on without it, here as on the stage.
      if (problem instanceof Refusal && problem.code === 'unspeakable') return null;
      throw problem;
    }
  };
  const heard = within(heardOf(score, { counts, sounds }), part);
  const placed = heard.map((one): Placed => {
    const { startMs, volume } = one;
    if ('mark' in one) return { startMs, volume, sound: async () => markOf(one.mark) };
    const { says, count, freeMs } = one;
    const early = count && {
      earlyMs: (sound: Sound) => Math.min(freeMs, earlyMs(sound, says)),
    };
    return { startMs, volume, sound: () => said(says), ...early };
  });
  // Where nothing can be said at all, it is told before anything is sent.
  const first = heard.find((h) => 'says' in h);
  if (first && 'says' in first) await said(first.says);
  return {
    windows: mixed(placed, { rate: RATE, totalMs }),
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
  const { as, signal } = asked;
  if (making.has(teacher.id) || making.size >= MOST_AT_ONCE) throw new Refusal('sound-busy');
  making.add(teacher.id);
  try {
    const { windows, samples, part } = await soundOfClass(db, teacher, worded, asked);
    const stream =
      as === 'wav'
        ? Readable.from(wavParts(windows, samples))
        : await encoded(as, windows, { worded, part, signal });
    const over = () => void making.delete(teacher.id);
    stream.once('end', over);
    stream.once('close', over);
    signal.addEventListener('abort', () => stream.destroy(), { once: true });
    return { stream, bytes: as === 'wav' ? 44 + 2 * samples : null };
  } catch (problem) {
    making.delete(teacher.id);
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

/** What a program ends the system call with that is not there. */
const isMissing = (problem: unknown) => (problem as NodeJS.ErrnoException).code === 'ENOENT';

/** The sound as the program packs it that is commonly used for it, with a title and a chapter for each move. */
async function encoded(
  as: 'mp3' | 'opus',
  windows: AsyncIterable<Float32Array>,
  { worded, part, signal }: { worded: Worded; part: Part; signal: AbortSignal },
): Promise<Readable> {
  const { name, language } = worded.score;
  const folder = await mkdtemp(path.join(tmpdir(), 'up-beat-sound-'));
  const done = () => void rm(folder, { recursive: true, force: true });
  const chapters = path.join(folder, 'chapters');
  await writeFile(
    chapters,
    chapterMetadata(within(chaptersOf(worded, language), part), { name, language, notes: [] }),
  );
  const raw = ['-f', 's16le', '-ar', String(RATE), '-ac', '1', '-i', 'pipe:0'];
  const told = ['-f', 'ffmetadata', '-i', chapters, '-map', '0:a', '-map_metadata', '1'];
  const child = spawn('ffmpeg', ['-v', 'error', ...raw, ...told, ...ENCODED[as], 'pipe:1'], {
    stdio: ['pipe', 'pipe', 'pipe'],
  });
  let complaint = '';
  child.stderr.on('data', (part: Buffer) => {
    complaint = (complaint + part.toString()).slice(0, 500);
  });
  const closed = new Promise<number | null>((resolve) => child.once('close', resolve));
  child.once('close', done);
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
  signal.addEventListener('abort', () => child.kill('SIGKILL'), { once: true });
  return Readable.from(packed(child.stdout, closed, () => child.kill('SIGKILL')));

  /** What it gives, which is whole only once it has ended well. */
  async function* packed(
    out: Readable,
    ended: Promise<number | null>,
    kill: () => void,
  ): AsyncGenerator<Buffer> {
    try {
      yield* out;
      if ((await ended) !== 0) {
        log().error(errorFields(new Error(complaint)), 'sound could not be packed');
        throw new Error('sound could not be packed');
      }
    } finally {
      kill();
    }
  }
}
