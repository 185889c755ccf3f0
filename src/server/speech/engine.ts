import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { LANGUAGE_DATA, LANGUAGES } from '@/core/language';
import { asSpoken, type Utterance, type VoiceName, withTrueLength } from '@/core/speech';

/** A program that speaks. Implementations render a text to a WAV file. */
export interface SpeechEngine {
  /** Name and version; part of every cache key, so that a new version renders afresh. */
  id: string;
  render: (utterance: Utterance, voice: VoiceName) => Promise<Buffer>;
}

/** Which of the program's own voices is meant. */
const VARIANT: Record<VoiceName, string> = {
  plain: '',
  bright: '+f2',
  deep: '+m3',
  soft: '+klatt2',
};
/** The program counts long words: at its 150 it reads cues at about 172 words a minute (measured). */
const RATE_PER_WORD = 150 / 172;
const TIME_LIMIT_MS = 15_000;

function call(args: string[], input: string): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    const child = spawn('espeak-ng', args, {
      stdio: ['pipe', 'pipe', 'pipe'],
      timeout: TIME_LIMIT_MS,
    });
    const out: Buffer[] = [];
    let complaint = '';
    child.stdout.on('data', (chunk: Buffer) => out.push(chunk));
    child.stderr.on('data', (chunk: Buffer) => {
      complaint += chunk.toString();
    });
    child.on('error', reject);
    child.on('close', (code) => {
      if (code === 0) resolve(Buffer.concat(out));
      else reject(new Error(`espeak-ng ended with ${code}: ${complaint.trim()}`));
    });
    // A program that needs no input may end before it was given; whether it did its work its exit code says.
    child.stdin.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE') reject(error);
    });
    child.stdin.end(input);
  });
}

/** Names the list of respelt words, so that what was kept of another list is rendered afresh. */
function respelling(): string {
  const words = LANGUAGES.flatMap((l) => LANGUAGE_DATA[l].speech.respelt.map(String));
  return createHash('sha256').update(words.join()).digest('hex').slice(0, 8);
}

/** Square brackets are the program's phoneme notation; a cue never means that. */
const plainText = (text: string) => text.replace(/\[\[|\]\]/g, ' ');

/** The espeak-ng program, or null where the machine has none. */
export async function espeak(): Promise<SpeechEngine | null> {
  let version: string;
  try {
    version = (await call(['--version'], '')).toString();
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
  return {
    id: `${/\d+(\.\d+)+/.exec(version)?.[0] ?? 'unknown'}-${respelling()}`,
    render: async ({ text, language, wordsPerMinute }, voice) =>
      // The program streams, so its header does not know the length yet.
      withTrueLength(
        await call(
          [
            '-v',
            language + VARIANT[voice],
            '-s',
            String(Math.round(wordsPerMinute * RATE_PER_WORD)),
            '-z',
            '-b',
            '1',
            '--stdin',
            '--stdout',
          ],
          plainText(asSpoken(text, language)),
        ),
      ),
  };
}
