import type { Cue } from '@/core/score';
import type { Utterance } from '@/core/speech';

const FETCHES_AT_ONCE = 4;
/** What is not needed yet is fetched one by one, so that nothing has to wait behind it. */
const CALM_FETCHES = 1;
/** How long after a lost connection it is tried again, in ms. */
const AGAIN_MS = 5000;
/** What a server without a speech program answers. */
const NO_VOICE = 503;

/** A cue, perhaps at a rate of its own. */
export type SaidCue = Cue & { wordsPerMinute?: number };

export interface CueAudioEvents {
  /** Where the audio of something said is to be had. */
  urlOf: (utterance: Utterance) => string;
  /** Audio came in the voice that is wanted now, where there was some in one that was given up. */
  renewed: () => void;
  /** The server has no voice. */
  voiceless: () => void;
}

/**
 * The audio of a class's cues: what is due soon ready to be played, the rest as it came, so that the voice
 * stays when the server is away.
 */
export class CueAudio {
  /** As it came: a tenth of its size when decoded. */
  private readonly files = new Map<string, ArrayBuffer>();
  private readonly buffers = new Map<string, AudioBuffer>();
  private urls = new WeakMap<Cue, string>();
  /** Needed soon, and to be decoded. */
  private readonly wanted = new Set<string>();
  /** To be had before the connection may be lost. */
  private readonly wantedLater = new Set<string>();
  private wholeClass: readonly Cue[] = [];
  private readonly underway = new Set<string>();
  /** What nobody on the server can say. */
  private readonly failed = new Set<string>();
  /** Audio in a voice that was given up; it serves until the new one has come. */
  private readonly stale = new Set<string>();
  private again: ReturnType<typeof setTimeout> | undefined;
  /** Counts the changes of voice, so that an answer in the old one is known. */
  private voice = 0;

  constructor(
    private rate: number,
    private readonly decode: (file: ArrayBuffer) => Promise<AudioBuffer>,
    private readonly on: CueAudioEvents,
  ) {}

  get wordsPerMinute(): number {
    return this.rate;
  }

  set wordsPerMinute(rate: number) {
    this.rate = rate;
    this.urls = new WeakMap();
    this.files.clear();
    this.wantAll();
  }

  /** The server speaks with another voice from now on: what was fetched is fetched anew. */
  changeVoice(): void {
    for (const url of this.buffers.keys()) this.stale.add(url);
    this.voice++;
    this.files.clear();
    this.failed.clear();
    this.wantAll();
  }

  /** What was decoded is decoded anew; it serves until it is. */
  decodeAnew(): void {
    for (const url of this.buffers.keys()) this.stale.add(url);
  }

  close(): void {
    clearTimeout(this.again);
    this.again = undefined;
    this.wantedLater.clear();
  }

  /** A cue's audio, where it is ready. */
  of(cue: Cue): AudioBuffer | undefined {
    return this.buffers.get(this.url(cue));
  }

  isUnspeakable(cue: Cue): boolean {
    return this.failed.has(this.url(cue));
  }

  utterance({ text, language, wordsPerMinute = this.rate }: SaidCue): Utterance {
    return { text, language, wordsPerMinute };
  }

  /** Makes the audio of cues ready that are due soon, in the order given. */
  fetchAhead(cues: readonly Cue[]): void {
    for (const cue of cues) {
      const url = this.url(cue);
      const ready = this.buffers.has(url) && !this.stale.has(url);
      if (!ready && this.isOpen(url)) this.wanted.add(url);
    }
    this.fetchNext();
  }

  /** Fetches the audio of a whole class by and by, so that the voice stays when the server is away. */
  fetchAll(cues: readonly Cue[]): void {
    this.wholeClass = cues;
    this.wantAll();
  }

  private wantAll(): void {
    this.wantedLater.clear();
    for (const cue of this.wholeClass) {
      const url = this.url(cue);
      if (!this.files.has(url) && this.isOpen(url)) this.wantedLater.add(url);
    }
    this.fetchNext();
  }

  private isOpen(url: string): boolean {
    return !this.failed.has(url) && !this.underway.has(url);
  }

  private url(cue: Cue): string {
    const known = this.urls.get(cue);
    if (known) return known;
    const url = this.on.urlOf(this.utterance(cue));
    this.urls.set(cue, url);
    return url;
  }

  private fetchNext(): void {
    while (this.underway.size < FETCHES_AT_ONCE) {
      const [url] = this.wanted;
      if (url === undefined) break;
      this.begin(url, () => this.makeReady(url));
    }
    const [url] = this.wantedLater;
    if (url !== undefined && this.underway.size < CALM_FETCHES) {
      this.begin(url, async () => void (await this.fetchFile(url)));
    }
  }

  private begin(url: string, work: () => Promise<void>): void {
    this.wanted.delete(url);
    this.wantedLater.delete(url);
    this.underway.add(url);
    void work().finally(() => {
      this.underway.delete(url);
      this.fetchNext();
    });
  }

  private async makeReady(url: string): Promise<void> {
    const file = this.files.get(url) ?? (await this.fetchFile(url));
    if (!file) return;
    // Decoding takes the file away.
    this.buffers.set(url, await this.decode(file.slice(0)));
    if (this.stale.delete(url)) this.on.renewed();
  }

  private async fetchFile(url: string): Promise<ArrayBuffer | undefined> {
    const { voice } = this;
    let response: Response;
    let file: ArrayBuffer;
    try {
      response = await fetch(url);
      file = await response.arrayBuffer();
    } catch {
      return this.tryLater();
    }
    // The server is in trouble, which passes: it may still have this audio when it is asked again.
    if (response.status >= 500 && response.status !== NO_VOICE) return this.tryLater();
    if (!response.ok) this.failed.add(url);
    if (response.status === NO_VOICE) this.on.voiceless();
    if (!response.ok) return;
    if (voice !== this.voice) {
      this.wantedLater.add(url);
      return;
    }
    this.files.set(url, file);
    return file;
  }

  /** The server is away: a cue that is due is asked for again, and the others in a while. */
  private tryLater(): undefined {
    this.wantedLater.clear();
    this.again ??= setTimeout(() => {
      this.again = undefined;
      this.wantAll();
    }, AGAIN_MS);
  }
}
