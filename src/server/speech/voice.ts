import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import PQueue from 'p-queue';
import {
  type Utterance,
  utteranceKey,
  type VoiceName,
  WAV_HEADER_BYTES,
  wavMs,
} from '@/core/speech';
import { espeak, type SpeechEngine } from './engine';

const AT_ONCE = 2;

/** A spoken voice with a persistent cache: each text is rendered once, whoever asks for it. */
export class Voice {
  private readonly underway = new Map<string, Promise<Buffer>>();
  private readonly lengths = new Map<string, number>();
  private readonly queue = new PQueue({ concurrency: AT_ONCE });
  private renderedSoFar = 0;

  constructor(
    private readonly engine: SpeechEngine,
    private readonly folder: string,
  ) {}

  /** What tells one rendering from any other. */
  mark(utterance: Utterance, voice: VoiceName = 'plain'): string {
    const key = [this.engine.id, utteranceKey(utterance), ...(voice === 'plain' ? [] : [voice])];
    return createHash('sha256').update(key.join('\u0001')).digest('hex');
  }

  /** How many texts this process has rendered. */
  get rendered(): number {
    return this.renderedSoFar;
  }

  private file(utterance: Utterance, voice: VoiceName): string {
    return path.join(this.folder, `${this.mark(utterance, voice)}.wav`);
  }

  /** The text as a WAV file. */
  async audio(utterance: Utterance, voice: VoiceName = 'plain'): Promise<Buffer> {
    const file = this.file(utterance, voice);
    try {
      return await readFile(file);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
    }
    let job = this.underway.get(file);
    if (!job) {
      job = this.render(utterance, voice, file).finally(() => this.underway.delete(file));
      this.underway.set(file, job);
    }
    return job;
  }

  /** The text's measured length in whole ms. */
  async length(utterance: Utterance, voice: VoiceName = 'plain'): Promise<number> {
    const known = await this.knownLength(utterance, voice);
    if (known !== null) return known;
    const ms = wavMs(await this.audio(utterance, voice));
    if (ms === null) throw new Error(`the speech program gave no WAV file for "${utterance.text}"`);
    this.lengths.set(this.file(utterance, voice), ms);
    return ms;
  }

  /** The text's length in whole ms where it was rendered before; it is not rendered for this. */
  async knownLength(utterance: Utterance, voice: VoiceName = 'plain'): Promise<number | null> {
    const file = this.file(utterance, voice);
    const ms = this.lengths.get(file) ?? (await headerMs(file));
    if (ms !== null) this.lengths.set(file, ms);
    return ms;
  }

  private async render(utterance: Utterance, voice: VoiceName, file: string): Promise<Buffer> {
    const rendered = await this.queue.add(async () => {
      const wav = await this.engine.render(utterance, voice);
      await mkdir(this.folder, { recursive: true });
      const half = `${file}.${randomUUID()}`;
      await writeFile(half, wav);
      await rename(half, file);
      this.renderedSoFar++;
      return wav;
    });
    if (!rendered) throw new Error('the voice was given up');
    return rendered;
  }
}

/** Length of a cached file from its header and size, or null where it is not there. */
async function headerMs(file: string): Promise<number | null> {
  try {
    const handle = await open(file);
    try {
      const { size } = await handle.stat();
      const header = Buffer.alloc(WAV_HEADER_BYTES);
      await handle.read(header, 0, WAV_HEADER_BYTES, 0);
      return wavMs(header, size);
    } finally {
      await handle.close();
    }
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}

let shared: Promise<Voice | null> | undefined;

/** This machine's voice, or null where there is no speech program (or UPBEAT_SPEECH is "off"). */
export function voice(): Promise<Voice | null> {
  shared ??= (async () => {
    if (process.env.UPBEAT_SPEECH === 'off') return null;
    const engine = await espeak();
    const folder = path.join(process.env.UPBEAT_DATA_DIR ?? '.data', 'speech');
    return engine && new Voice(engine, folder);
  })();
  return shared;
}
