import { type ChildProcess, spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { LANGUAGE_DATA, LANGUAGES } from '@/core/language';
import {
  asSpoken,
  type Utterance,
  VOICES,
  type VoiceId,
  type VoiceOffer,
  withHalts,
  withTrueLength,
} from '@/core/speech';
import { NOT_FOUND, withLimits } from '../with-limits';

export interface HowToRender {
  /** Gives it up. */
  signal?: AbortSignal;
  /** How much it gives way to all else that the machine does: 0 not at all, 19 to everything. */
  nice?: number;
}

/** A program that speaks. Implementations render a text to a WAV file. */
export interface SpeechEngine {
  /** Name and version; part of every cache key, so that a new version renders afresh. */
  id: string;
  /** The voices that it speaks with. */
  voices: readonly VoiceOffer[];
  /** @throws Unspeakable where it cannot say it; the signal's reason where it was given up */
  render: (utterance: Utterance, voice: VoiceId, how?: HowToRender) => Promise<Buffer>;
}

/** Which of the program's own voices is meant, and what it is called on screens. */
const VARIANT: Record<(typeof VOICES)[number], { option: string; name: string }> = {
  plain: { option: '', name: 'Plain' },
  bright: { option: '+f2', name: 'Bright' },
  deep: { option: '+m3', name: 'Deep' },
  soft: { option: '+klatt2', name: 'Soft' },
};
const variantOf = (voice: VoiceId): string =>
  voice in VARIANT ? VARIANT[voice as (typeof VOICES)[number]].option : '';
/** The program counts long words: at its 150 it reads cues at about 172 words a minute (measured). */
const RATE_PER_WORD = 150 / 172;
/** What the program may take of the machine for one text: time on the clock and of the processor, memory, output. */
const TIME_LIMIT_MS = 15_000;
const CPU_SECONDS = 10;
const MEMORY_KILOBYTES = 400_000;
/** Two minutes of speech. */
const MOST_OUTPUT_BYTES = 6_000_000;

/** The program cannot say this text: it ended badly, took too long or gave too much. */
export class Unspeakable extends Error {}

/** What the server knows and a program need not: where its data is, and how to get there. */
const isOurs = (name: string) => name === 'DATABASE_URL' || name.startsWith('UPBEAT_');

/** Ends a program with all that it has started itself, and waits for nothing that has left its group. */
function end({ pid, stdout, stderr }: ChildProcess): void {
  if (pid === undefined) return;
  try {
    process.kill(-pid, 'SIGKILL');
  } catch (problem) {
    // It has ended meanwhile.
    if ((problem as NodeJS.ErrnoException).code !== 'ESRCH') throw problem;
  }
  stdout?.destroy();
  stderr?.destroy();
}

/**
 * Lets a program speak.
 * @param command the program and what it is given
 * @param kilobytes of memory that it may take
 * @throws Unspeakable; the signal's reason; an error with the code ENOENT where there is no such program
 */
export function speaking(
  command: readonly string[],
  input: string,
  { signal, nice = 0 }: HowToRender = {},
  kilobytes = MEMORY_KILOBYTES,
): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    signal?.throwIfAborted();
    const [program, args] = withLimits(command, { cpuSeconds: CPU_SECONDS, kilobytes, nice });
    const env = Object.fromEntries(Object.entries(process.env).filter(([name]) => !isOurs(name)));
    // A group of its own, so that nothing of it is left to write when it is ended.
    const child = spawn(program, args, { detached: true, env: env as NodeJS.ProcessEnv });
    const stop = () => end(child);
    const patience = setTimeout(stop, TIME_LIMIT_MS);
    signal?.addEventListener('abort', stop);
    const out: Buffer[] = [];
    let bytes = 0;
    let complaint = '';
    child.stdout.on('data', (chunk: Buffer) => {
      bytes += chunk.length;
      if (bytes > MOST_OUTPUT_BYTES) end(child);
      else out.push(chunk);
    });
    child.stderr.on('data', (chunk: Buffer) => {
      complaint = (complaint + chunk.toString()).slice(0, 300);
    });
    child.on('error', reject);
    child.on('close', (code, killedBy) => {
      clearTimeout(patience);
      signal?.removeEventListener('abort', stop);
      if (signal?.aborted) reject(signal.reason);
      else if (code === 0) resolve(Buffer.concat(out));
      else if (code === NOT_FOUND) reject(Object.assign(new Error(complaint), { code: 'ENOENT' }));
      else
        reject(
          new Unspeakable(`${command[0]} ended with ${killedBy ?? code}: ${complaint.trim()}`),
        );
    });
    // A program that needs no input may end before it was given; whether it did its work its exit code says.
    child.stdin.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE') reject(error);
    });
    child.stdin.end(input);
  });
}
/** How the program is told to halt for a moment: two of its own short pauses, some 0.2 s. */
const HALT = '[[_:_:]] ';

/** Names the list of respelt words and of halts, so that what was kept of another list is rendered afresh. */
function respelling(): string {
  const words = LANGUAGES.flatMap((l) => {
    const { respelt, important } = LANGUAGE_DATA[l].speech;
    return [...respelt.map(String), `${important}${HALT}`];
  });
  return createHash('sha256').update(words.join()).digest('hex').slice(0, 8);
}

/** As many letters with dots in a row are an abbreviation; more are read apart, since the program dies of them. */
const DOTTED = /(?:\p{L}\.){8,}/gu;
/** No word is longer; more without a space is read in pieces. */
const LONG_WORD = /\S{60}(?=\S)/gu;

/**
 * A text as the program may be given it: without its notation of sounds in square brackets, which a cue never means,
 * without control characters and halves of a pair, and without what it cannot bear.
 */
export const plainText = (text: string) =>
  text
    .replace(/\[\[|\]\]|[\p{Cc}\p{Cs}]/gu, ' ')
    .replace(DOTTED, (letters) => letters.replaceAll('.', '. '))
    .replace(LONG_WORD, '$& ');

/** What a program gave, as a file that knows how long it is: a program that streams did not know it yet. */
export function wavFrom(given: Buffer): Buffer {
  try {
    return withTrueLength(given);
  } catch {
    throw new Unspeakable('the program gave no WAV file');
  }
}

/** The espeak-ng program, or null where the machine has none. */
export async function espeak(): Promise<SpeechEngine | null> {
  let version: string;
  try {
    version = (await speaking(['espeak-ng', '--version'], '')).toString();
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
  return {
    voices: VOICES.map((voice) => ({
      id: voice,
      name: VARIANT[voice].name,
      languages: [...LANGUAGES],
    })),
    id: `${/\d+(\.\d+)+/.exec(version)?.[0] ?? 'unknown'}-${respelling()}`,
    render: async ({ text, language, wordsPerMinute }, voice, how) => {
      const rate = String(Math.round(wordsPerMinute * RATE_PER_WORD));
      const args = ['-v', language + variantOf(voice), '-s', rate, '-z', '-b', '1'];
      const spoken = withHalts(plainText(asSpoken(text, language)), language, HALT);
      return wavFrom(await speaking(['espeak-ng', ...args, '--stdin', '--stdout'], spoken, how));
    },
  };
}
