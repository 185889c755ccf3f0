import type { DueBeat, DueCue } from '@/core/run';
import type { Cue } from '@/core/score';
import type { Utterance } from '@/core/speech';
import { speakInBrowser, speechUrl } from './hear';

/** How the cues are heard: rendered audio, the browser's own voice, or a soft tone beside the text. */
export type Sound = 'rendered' | 'browser' | 'tone';

const FETCHES_AT_ONCE = 4;
const SAME_TIME_MS = 20;
const FORGET_AFTER_MS = 60_000;
const CUE_HZ = 440;
const BEAT_HZ = 660;

interface Scheduled {
  at: number;
  stop: () => void;
}

/**
 * Plays cues at their time. It is told again and again what is due and makes the schedule agree:
 * what is new is scheduled ahead on the audio clock, what is no longer due is taken back.
 */
export class CuePlayer {
  private context: AudioContext | null = null;
  private readonly buffers = new Map<string, AudioBuffer>();
  private readonly scheduled = new Map<string, Scheduled>();
  private readonly wanted: string[] = [];
  private readonly failed = new Set<string>();
  private fetching = 0;
  private sounds: Sound = 'rendered';

  constructor(
    private readonly wordsPerMinute: number,
    private readonly onSound: (sound: Sound) => void = () => {},
  ) {}

  /** Must be called from a key press or a click, or the browser keeps the sound off. */
  async unlock(): Promise<void> {
    this.context ??= new AudioContext();
    if (this.context.state === 'suspended') await this.context.resume();
  }

  get sound(): Sound {
    return this.sounds;
  }

  /** Fetches the audio of cues ahead of time, in the order given. */
  fetchAhead(cues: readonly Cue[]): void {
    for (const cue of cues) {
      const url = this.url(cue);
      if (!this.buffers.has(url) && !this.failed.has(url) && !this.wanted.includes(url)) {
        this.wanted.push(url);
      }
    }
    this.fetchNext();
  }

  /**
   * @param beats instants that are marked by a tone instead of a count
   * @param now epoch ms on the same clock as the cues' times
   */
  follow(due: readonly DueCue[], beats: readonly DueBeat[], now: number): void {
    const context = this.context;
    if (!context) return;
    const keys = new Set([...due, ...beats].map((d) => d.key));
    for (const [key, entry] of this.scheduled) {
      const passed = entry.at <= now;
      const moved = due.find((d) => d.key === key && Math.abs(d.at - entry.at) > SAME_TIME_MS);
      if (entry.at < now - FORGET_AFTER_MS) this.scheduled.delete(key);
      if ((!keys.has(key) && !passed) || moved) {
        entry.stop();
        this.scheduled.delete(key);
      }
    }
    this.fetchAhead(due.map((d) => d.cue));
    for (const d of due) if (!this.scheduled.has(d.key)) this.schedule(d, now);
    for (const { key, at } of beats) {
      if (this.scheduled.has(key)) continue;
      const when = context.currentTime + Math.max(0, at - now) / 1000;
      this.scheduled.set(key, { at, stop: tone(context, when, BEAT_HZ) });
    }
  }

  /** Falls silent at once and forgets what was scheduled. */
  silence(): void {
    for (const entry of this.scheduled.values()) entry.stop();
    this.scheduled.clear();
    globalThis.speechSynthesis?.cancel();
  }

  close(): void {
    this.silence();
    void this.context?.close();
    this.context = null;
  }

  private schedule({ key, cue, at }: DueCue, now: number): void {
    const context = this.context;
    if (!context) return;
    const inMs = Math.max(0, at - now);
    if (this.sounds === 'browser') {
      const timer = setTimeout(() => speakInBrowser(this.utterance(cue)), inMs);
      this.scheduled.set(key, { at, stop: () => clearTimeout(timer) });
      return;
    }
    const when = context.currentTime + inMs / 1000;
    const buffer = this.buffers.get(this.url(cue));
    if (this.sounds === 'rendered') {
      if (!buffer) return;
      const source = new AudioBufferSourceNode(context, { buffer });
      source.connect(context.destination);
      source.start(when);
      this.scheduled.set(key, { at, stop: () => source.stop() });
      return;
    }
    this.scheduled.set(key, { at, stop: tone(context, when) });
  }

  private utterance({ text, language }: Cue): Utterance {
    return { text, language, wordsPerMinute: this.wordsPerMinute };
  }

  private url(cue: Cue): string {
    return speechUrl(this.utterance(cue));
  }

  private fetchNext(): void {
    while (this.fetching < FETCHES_AT_ONCE && this.sounds === 'rendered') {
      const url = this.wanted.shift();
      if (url === undefined) return;
      this.fetching++;
      void this.fetchOne(url).finally(() => {
        this.fetching--;
        this.fetchNext();
      });
    }
  }

  private async fetchOne(url: string): Promise<void> {
    let response: Response;
    try {
      response = await fetch(url);
    } catch {
      // The server is away; the cue stays due and is asked for again.
      return;
    }
    if (response.status === 503) {
      this.fallBack();
      return;
    }
    if (!response.ok) {
      this.failed.add(url);
      return;
    }
    this.context ??= new AudioContext();
    this.buffers.set(url, await this.context.decodeAudioData(await response.arrayBuffer()));
  }

  /** The server has no voice: the browser's own, or tones where it has none either. */
  private fallBack(): void {
    const voices = globalThis.speechSynthesis?.getVoices() ?? [];
    this.sounds = voices.length ? 'browser' : 'tone';
    this.wanted.length = 0;
    this.onSound(this.sounds);
  }
}

/** A soft tone at a time on the audio clock; returns how to take it back. */
function tone(context: AudioContext, when: number, frequency = CUE_HZ): () => void {
  const gain = new GainNode(context, { gain: 0 });
  gain.gain.setValueAtTime(0, when);
  gain.gain.linearRampToValueAtTime(0.12, when + 0.02);
  gain.gain.exponentialRampToValueAtTime(0.001, when + 0.35);
  const oscillator = new OscillatorNode(context, { frequency });
  oscillator.connect(gain).connect(context.destination);
  oscillator.start(when);
  oscillator.stop(when + 0.4);
  return () => oscillator.stop();
}
