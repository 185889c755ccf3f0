import { createHash } from 'node:crypto';
import { setMaxListeners } from 'node:events';
import path from 'node:path';
import { LRUCache } from 'lru-cache';
import PQueue from 'p-queue';
import { SPOKEN_LUFS } from '@/core/sound';
import {
  USUAL_VOICE,
  type Utterance,
  utteranceKey,
  type VoiceId,
  type VoiceOffer,
  wavMs,
} from '@/core/speech';
import { type FairOptions, FairQueue } from '../queue/fair-queue';
import { errorFields, log } from '../watch/log';
import { Apart } from './apart';
import { AudioCache } from './cache';
import { espeak, type SpeechEngine } from './engine';
import { flite } from './flite';
import { programs } from './programs';
import { type HowToRender, Unspeakable } from './speaking';

const MOST_LENGTHS = 100_000;
const MOST_UNSPEAKABLE = 5000;
/** Most of the disk that spoken audio may take, in bytes, unless UPBEAT_SPEECH_MEGABYTES says otherwise. */
const MOST_BYTES = 2_000_000_000;

/** How everything is made to sound; part of every cache key, so that what is made otherwise renders afresh. */
const LEVEL = `${SPOKEN_LUFS} LUFS, prompt`;

/** Who wants something said. */
export interface Asker {
  /** Askers take turns. */
  owner: string;
  /** What is about to be heard waits for nothing that is only measured. */
  urgency?: Urgency;
  /** Nobody waits for it any more. */
  signal?: AbortSignal;
}
/**
 * How many texts of each urgency are rendered at once, and how much that gives way to all else; the more urgent
 * first. Somebody stands and waits for a class to be made ready; what is only measured may take its time.
 */
const URGENCY = {
  heard: { atOnce: 2, nice: 0 },
  prepared: { atOnce: 2, nice: 5 },
  measured: { atOnce: 1, nice: 10 },
} as const;
type Urgency = keyof typeof URGENCY;
const URGENCIES = Object.keys(URGENCY) as Urgency[];

const fairQueue = (concurrency: number) =>
  new PQueue<FairQueue, FairOptions>({ concurrency, queueClass: FairQueue });
const NOBODY: Asker = { owner: '' };

/** A text that is being rendered, and how many still wait for it. */
interface Job {
  done: Promise<Buffer | null>;
  waiting: number;
  urgency: Urgency;
  controller: AbortController;
}

/**
 * A spoken voice with a cache on disk: each text is rendered once, whoever asks for it. A text that the program
 * cannot say is remembered as such; nothing else suffers from it.
 */
export class Voice {
  private readonly underway = new Map<string, Job>();
  private readonly lengths = new LRUCache<string, number>({ max: MOST_LENGTHS });
  private readonly unspeakable = new LRUCache<string, true>({ max: MOST_UNSPEAKABLE });
  private readonly queues = {
    heard: fairQueue(URGENCY.heard.atOnce),
    prepared: fairQueue(URGENCY.prepared.atOnce),
    measured: fairQueue(URGENCY.measured.atOnce),
  };
  private readonly cache: AudioCache;
  private renderedSoFar = 0;
  /** Voices for which another one had to speak since the start. */
  private readonly failed = new Set<VoiceId>();
  private readonly engines: readonly [SpeechEngine, ...SpeechEngine[]];

  /**
   * @param engines the one that speaks every language, and what the machine has besides
   */
  constructor(
    engines: SpeechEngine | readonly [SpeechEngine, ...SpeechEngine[]],
    folder: string,
    mostBytes = MOST_BYTES,
  ) {
    this.engines = 'render' in engines ? [engines] : engines;
    this.cache = new AudioCache(folder, mostBytes);
  }

  /** The voices that can be chosen. */
  get offers(): VoiceOffer[] {
    return this.engines.flatMap(({ voices }) => voices);
  }

  /** Voices that could not say something, so that the usual one said it. */
  get troubled(): VoiceId[] {
    return [...this.failed];
  }

  /** Who says a text: the program that has the voice in its language, else the usual one. */
  private by({ language }: Utterance, voice: VoiceId): { engine: SpeechEngine; as: VoiceId } {
    const speaks = ({ id, languages }: VoiceOffer) => id === voice && languages.includes(language);
    const engine = this.engines.find(({ voices }) => voices.some(speaks));
    return engine ? { engine, as: voice } : { engine: this.engines[0], as: USUAL_VOICE };
  }

  /** What tells one rendering from any other. */
  mark(utterance: Utterance, voice: VoiceId = USUAL_VOICE): string {
    const { engine, as } = this.by(utterance, voice);
    const how = `${engine.id} ${LEVEL}`;
    const key = [how, utteranceKey(utterance), ...(as === USUAL_VOICE ? [] : [as])];
    return createHash('sha256').update(key.join('\u0001')).digest('hex');
  }

  /** How many texts this process has rendered. */
  get rendered(): number {
    return this.renderedSoFar;
  }

  /** How many texts wait for their turn. */
  get waiting(): number {
    return URGENCIES.reduce((sum, urgency) => sum + this.queues[urgency].size, 0);
  }

  private name(utterance: Utterance, voice: VoiceId): string {
    return `${this.mark(utterance, voice)}.wav`;
  }

  /**
   * The text as a WAV file; null where the program cannot say it.
   * @throws the reason of the asker's signal where they have given up
   */
  async audio(
    utterance: Utterance,
    voice: VoiceId = USUAL_VOICE,
    asker = NOBODY,
  ): Promise<Buffer | null> {
    const name = this.name(utterance, voice);
    const known = await this.cache.read(name);
    if (known) return known;
    if (this.unspeakable.has(name)) return null;
    asker.signal?.throwIfAborted();
    const { urgency = 'measured' } = asker;
    const job = this.underway.get(name);
    // What is wanted sooner does not wait where it was put first; there it is found when its turn comes.
    const isSoonEnough = job && URGENCIES.indexOf(job.urgency) <= URGENCIES.indexOf(urgency);
    return waitFor(
      isSoonEnough ? job : this.begin(utterance, voice, { ...asker, urgency }),
      asker.signal,
    );
  }

  /** The text's measured length in whole ms; null where the program cannot say it. */
  async length(
    utterance: Utterance,
    voice: VoiceId = USUAL_VOICE,
    asker = NOBODY,
  ): Promise<number | null> {
    const known = await this.knownLength(utterance, voice);
    if (known !== null) return known;
    const wav = await this.audio(utterance, voice, asker);
    const ms = wav && wavMs(wav);
    if (ms !== null) this.lengths.set(this.name(utterance, voice), ms);
    return ms;
  }

  /** The text's length in whole ms where it was rendered before; it is not rendered for this. */
  async knownLength(utterance: Utterance, voice: VoiceId = USUAL_VOICE): Promise<number | null> {
    const name = this.name(utterance, voice);
    const ms = this.lengths.get(name) ?? (await this.cache.ms(name));
    if (ms !== null) this.lengths.set(name, ms);
    return ms;
  }

  private begin(
    utterance: Utterance,
    voice: VoiceId,
    { owner, urgency }: Asker & { urgency: Urgency },
  ): Job {
    const name = this.name(utterance, voice);
    const controller = new AbortController();
    const { signal } = controller;
    const job: Job = { done: Promise.resolve(null), waiting: 0, urgency, controller };
    this.underway.set(name, job);
    job.done = this.queues[urgency]
      .add(
        () => {
          // Somebody who wanted it sooner is having it rendered.
          const sooner = this.underway.get(name);
          if (sooner && sooner !== job) return waitFor(sooner, signal);
          return this.render(utterance, voice, { signal, nice: URGENCY[urgency].nice });
        },
        { owner, signal },
      )
      .then((wav) => wav ?? null)
      .finally(() => this.forget(name, job));
    // Where everybody has gone, nobody hears how it ended.
    job.done.catch(() => {});
    // What was given up is not for whoever asks next.
    signal.addEventListener('abort', () => this.forget(name, job));
    return job;
  }

  private forget(name: string, job: Job): void {
    if (this.underway.get(name) === job) this.underway.delete(name);
  }

  /** What a program says; where it fails, the usual voice says it, so that nothing is missing in class. */
  private async said(utterance: Utterance, voice: VoiceId, how: HowToRender): Promise<Buffer> {
    const { engine, as } = this.by(utterance, voice);
    const [usual] = this.engines;
    if (engine === usual) return engine.render(utterance, as, how);
    try {
      const wav = await engine.render(utterance, as, how);
      if (wavMs(wav) === null) throw new Unspeakable('its WAV file is of another kind');
      return wav;
    } catch (problem) {
      how.signal?.throwIfAborted();
      if (!this.failed.has(as)) log().warn({ voice: as, ...errorFields(problem) }, 'voice failed');
      this.failed.add(as);
      return usual.render(utterance, USUAL_VOICE, how);
    }
  }

  private async render(
    utterance: Utterance,
    voice: VoiceId,
    how: HowToRender,
  ): Promise<Buffer | null> {
    const name = this.name(utterance, voice);
    // Or has had it rendered while this waited.
    const known = await this.cache.read(name);
    if (known) return known;
    try {
      const wav = await this.said(utterance, voice, how);
      await this.cache.write(name, wav);
      this.renderedSoFar++;
      return wav;
    } catch (error) {
      if (!(error instanceof Unspeakable)) throw error;
      log().warn({ voice, language: utterance.language, why: error.message }, 'unspeakable');
      this.unspeakable.set(name, true);
      return null;
    }
  }
}

/** Waits for a job as long as the asker does; when the last one has gone, it is given up. */
async function waitFor(job: Job, signal?: AbortSignal): Promise<Buffer | null> {
  job.waiting++;
  let gone = () => {};
  const left = new Promise<never>((_, reject) => {
    gone = () => reject(signal?.reason);
    // Who asks waits for many texts with one signal, and each of them takes its listener away again.
    if (signal) setMaxListeners(0, signal);
    signal?.addEventListener('abort', gone, { once: true });
  });
  try {
    return await Promise.race([job.done, left]);
  } finally {
    signal?.removeEventListener('abort', gone);
    job.waiting--;
    if (job.waiting === 0) job.controller.abort();
  }
}

let shared: Promise<Voice | null> | undefined;

/** This machine's voice, or null where there is no speech program (or UPBEAT_SPEECH is "off"). */
export function voice(): Promise<Voice | null> {
  shared ??= (async () => {
    if (process.env.UPBEAT_SPEECH === 'off') return null;
    const apart = new Apart();
    const usual = await espeak(apart);
    const data = process.env.UPBEAT_DATA_DIR ?? '.data';
    const folder = path.join(data, 'speech');
    const megabytes = Number(process.env.UPBEAT_SPEECH_MEGABYTES);
    if (!usual) return null;
    const more = await flite(apart);
    const own = await programs(process.env.UPBEAT_VOICES ?? path.join(data, 'voices'), apart);
    const engines = [usual, ...(more ? [more] : []), ...own] as const;
    const mostBytes = megabytes > 0 ? megabytes * 1e6 : undefined;
    return new Voice(engines, folder, mostBytes);
  })();
  return shared;
}
