import type { DueBeat, DueCue } from '@/core/run';
import type { Cue } from '@/core/score';
import { CueAudio } from './cue-audio';
import { speakInBrowser } from './hear';

/** How the cues are heard: rendered audio, the browser's own voice, or a soft tone beside the text. */
export type Sound = 'rendered' | 'browser' | 'tone';

const SAME_TIME_MS = 20;
const FORGET_AFTER_MS = 60_000;
const CUE_HZ = 440;
const BEAT_HZ = 660;
/** How far the audio clock may slide before what is scheduled is scheduled anew, in ms. */
const SLID_MS = 8;
/** What starts within that many ms stays where it is. */
const SETTLED_MS = 200;
/** How many looks at the audio clock count: enough to outvote one that was interrupted. */
const LOOKS = 9;
const LOOK_EVERY_MS = 100;
const DUCKED = 0.2;
const CHECK_MS = 400;
const AUDIBLE = 0.001;

/** What a check of the output found. */
export type CheckedSound = 'works' | 'blocked' | 'silent';
/** What is counted or marked is heard even while the voice is muted. */
const isCount = (cue: Cue) => cue.kind === 'count' || cue.kind === 'countIn';

/** The way of the sound: voice and counts each on their own, then all of it together. */
interface Desk {
  context: AudioContext;
  all: GainNode;
  voice: GainNode;
  counts: GainNode;
}

interface Scheduled {
  at: number;
  /** On the audio clock, in seconds; undefined where the browser's own voice speaks. */
  when?: number;
  /** When it will have been said, on the audio clock. */
  until?: number;
  stop: () => void;
}

/**
 * Plays cues at their time. It is told again and again what is due and makes the schedule agree:
 * what is new is scheduled ahead on the audio clock, what is no longer due is taken back.
 */
export class CuePlayer {
  private desk: Desk | null = null;
  private music: { element: HTMLAudioElement; duck: GainNode; level: GainNode } | null = null;
  private loudness = 1;
  private musicLoudness = 0.4;
  private voiceMuted = false;
  /** The audio clock less the clock of the cues, in ms, as it was seen lately. */
  private readonly looks: number[] = [];
  private looking: ReturnType<typeof setInterval> | undefined;
  private readonly scheduled = new Map<string, Scheduled>();
  private sounds: Sound = 'rendered';
  private readonly audio: CueAudio;
  /** How much faster than spoken the audio runs; a rehearsal may hurry. */
  speed = 1;

  constructor(
    wordsPerMinute: number,
    private readonly onSound: (sound: Sound) => void = () => {},
  ) {
    this.audio = new CueAudio(wordsPerMinute, (file) => this.open().context.decodeAudioData(file), {
      renewed: () => this.respeak(),
      // The browser's own voice, or tones where it has none either.
      voiceless: () =>
        this.fallenBack(globalThis.speechSynthesis?.getVoices().length ? 'browser' : 'tone'),
    });
  }

  private get context(): AudioContext | null {
    return this.desk?.context ?? null;
  }

  private open(): Desk {
    if (this.desk) return this.desk;
    const context = new AudioContext({ latencyHint: 'interactive' });
    const all = new GainNode(context, { gain: this.loudness });
    const voice = new GainNode(context, { gain: this.voiceMuted ? 0 : 1 });
    const counts = new GainNode(context);
    all.connect(context.destination);
    voice.connect(all);
    counts.connect(all);
    this.desk = { context, all, voice, counts };
    return this.desk;
  }

  /** Must be called from a key press or a click, or the browser keeps the sound off. */
  async unlock(): Promise<void> {
    const { context } = this.open();
    if (context.state === 'suspended') await context.resume();
  }

  /** Whether the browser keeps the sound off until something is pressed. */
  get blocked(): boolean {
    return this.context?.state === 'suspended';
  }

  /** How loud everything but the music is, 0 to 1. */
  get volume(): number {
    return this.loudness;
  }

  set volume(value: number) {
    this.loudness = Math.max(0, Math.min(1, value));
    if (this.desk) this.desk.all.gain.value = this.loudness;
  }

  /** Silences the voice; counts and tones go on. */
  set muted(muted: boolean) {
    this.voiceMuted = muted;
    if (this.desk) this.desk.voice.gain.value = muted ? 0 : 1;
  }

  set musicVolume(value: number) {
    this.musicLoudness = Math.max(0, Math.min(1, value));
    if (this.music) this.music.level.gain.value = this.musicLoudness;
  }

  /** Plays a file of the teacher's own over and over, softer while somebody speaks; null stops it. */
  async playMusic(file: Blob | null): Promise<void> {
    if (this.music) {
      this.music.element.pause();
      URL.revokeObjectURL(this.music.element.src);
      this.music = null;
    }
    if (!file) return;
    await this.unlock();
    const { context } = this.open();
    const element = new Audio(URL.createObjectURL(file));
    element.loop = true;
    const duck = new GainNode(context);
    const level = new GainNode(context, { gain: this.musicLoudness });
    context.createMediaElementSource(element).connect(duck).connect(level);
    level.connect(context.destination);
    this.music = { element, duck, level };
    await element.play();
  }

  /** Plays a tone and looks whether it comes out of the browser. Call it from a click. */
  async check(): Promise<CheckedSound> {
    const { context, all } = this.open();
    // A browser that keeps the sound off may never answer.
    void context.resume();
    await new Promise((done) => setTimeout(done, CHECK_MS / 2));
    if (context.state !== 'running') return 'blocked';
    const analyser = new AnalyserNode(context, { fftSize: 2048 });
    all.connect(analyser);
    tone(context, all, context.currentTime + 0.02);
    const samples = new Float32Array(analyser.fftSize);
    let loudest = 0;
    for (const until = performance.now() + CHECK_MS; performance.now() < until; ) {
      await new Promise((done) => setTimeout(done, 25));
      analyser.getFloatTimeDomainData(samples);
      loudest = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), loudest);
    }
    all.disconnect(analyser);
    return loudest > AUDIBLE ? 'works' : 'silent';
  }

  get wordsPerMinute(): number {
    return this.audio.wordsPerMinute;
  }

  /** How fast the cues from now on are said. Slower than they were measured, they may run late. */
  set wordsPerMinute(rate: number) {
    if (rate === this.audio.wordsPerMinute) return;
    this.audio.wordsPerMinute = rate;
    this.respeak();
  }

  /** The server speaks with another voice from now on: what was fetched is fetched anew. */
  changeVoice(): void {
    this.audio.changeVoice();
    this.fallenBack('rendered');
  }

  /** Takes back what has not begun yet, so that it is scheduled as it is now to be said. */
  private respeak(): void {
    const now = this.context?.currentTime ?? 0;
    for (const [key, entry] of this.scheduled) {
      if (entry.when !== undefined && entry.when <= now) continue;
      entry.stop();
      this.scheduled.delete(key);
    }
  }

  get sound(): Sound {
    return this.sounds;
  }

  /** Makes the audio of cues ready that are due soon, in the order given. */
  fetchAhead(cues: readonly Cue[]): void {
    this.audio.fetchAhead(cues);
  }

  /** Fetches the audio of a whole class by and by, so that the voice stays when the server is away. */
  fetchAll(cues: readonly Cue[]): void {
    this.audio.fetchAll(cues);
  }

  /**
   * @param beats instants that are marked by a tone instead of a count
   * @param clock epoch ms on the same clock as the cues' times
   */
  follow(due: readonly DueCue[], beats: readonly DueBeat[], clock: () => number): void {
    const { desk } = this;
    if (!desk) return;
    const now = clock();
    this.look(desk.context, now);
    this.looking ??= setInterval(() => this.look(desk.context, clock()), LOOK_EVERY_MS);
    const keys = new Set([...due, ...beats].map((d) => d.key));
    for (const [key, entry] of this.scheduled) {
      const passed = entry.at <= now;
      const moved =
        due.some((d) => d.key === key && Math.abs(d.at - entry.at) > SAME_TIME_MS) ||
        this.slid(desk.context, entry, now);
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
      const when = this.audioTime(desk.context, at);
      this.scheduled.set(key, {
        at,
        when,
        stop: tone(desk.context, desk.counts, when, BEAT_HZ),
      });
    }
  }

  /**
   * Looks where the audio clock stands against the clock of the cues. It moves on by whole buffers and
   * a look may be interrupted half way, so the middle one of several counts.
   */
  private look(context: AudioContext, now: number): void {
    this.looks.push(context.currentTime * 1000 - now);
    if (this.looks.length > LOOKS) this.looks.shift();
  }

  /** Whether the audio clock has slid since a sound was scheduled, and there is time to do it anew. */
  private slid(context: AudioContext, { at, when }: Scheduled, now: number): boolean {
    if (when === undefined || at < now + SETTLED_MS) return false;
    return Math.abs(this.placeOf(context, at) - when) * 1000 > SLID_MS;
  }

  /** Where a cue goes on the audio clock: at its time, but never over one that is still being said. */
  private placeOf(context: AudioContext, at: number): number {
    let free = 0;
    for (const before of this.scheduled.values()) {
      if (before.at < at && before.until !== undefined) free = Math.max(free, before.until);
    }
    return Math.max(this.audioTime(context, at), free);
  }

  private audioTime(context: AudioContext, at: number): number {
    const sorted = this.looks.toSorted((a, b) => a - b);
    const offsetMs = sorted[Math.floor(sorted.length / 2)] ?? 0;
    return Math.max(context.currentTime, (at + offsetMs) / 1000);
  }

  /** Falls silent at once and forgets what was scheduled. */
  silence(): void {
    clearInterval(this.looking);
    this.looking = undefined;
    for (const entry of this.scheduled.values()) entry.stop();
    this.scheduled.clear();
    globalThis.speechSynthesis?.cancel();
    if (this.music && this.context) {
      const { gain } = this.music.duck;
      gain.cancelScheduledValues(this.context.currentTime);
      gain.setTargetAtTime(1, this.context.currentTime, 0.2);
    }
  }

  close(): void {
    this.silence();
    this.audio.close();
    void this.playMusic(null);
    void this.context?.close();
    this.desk = null;
    this.looks.length = 0;
  }

  /** Makes the music step back while something is said. */
  private duckFor(when: number, seconds: number): void {
    const gain = this.music?.duck.gain;
    gain?.setTargetAtTime(DUCKED, Math.max(0, when - 0.15), 0.05);
    gain?.setTargetAtTime(1, when + seconds + 0.2, 0.25);
  }

  private schedule({ key, cue, at }: DueCue, now: number): void {
    const { desk } = this;
    if (!desk) return;
    const { context } = desk;
    const out = isCount(cue) ? desk.counts : desk.voice;
    const buffer = this.audio.of(cue);
    const unspoken = !buffer && this.audio.isUnspeakable(cue);
    if (unspoken && this.sounds === 'browser') {
      const inMs = Math.max(0, at - now);
      const speak = () => {
        if (!this.voiceMuted || isCount(cue)) speakInBrowser(this.audio.utterance(cue));
      };
      const timer = setTimeout(speak, inMs);
      this.scheduled.set(key, { at, stop: () => clearTimeout(timer) });
      return;
    }
    const when = this.placeOf(context, at);
    if (unspoken && this.sounds === 'tone') {
      this.scheduled.set(key, { at, when, stop: tone(context, out, when) });
      return;
    }
    if (!buffer) return;
    const source = new AudioBufferSourceNode(context, { buffer, playbackRate: this.speed });
    source.connect(out);
    source.start(when);
    const seconds = buffer.duration / this.speed;
    this.duckFor(when, seconds);
    this.scheduled.set(key, { at, when, until: when + seconds, stop: () => source.stop() });
  }

  private fallenBack(to: Sound): void {
    if (to === this.sounds) return;
    this.sounds = to;
    this.onSound(to);
  }
}

/** A soft tone at a time on the audio clock; returns how to take it back. */
function tone(context: AudioContext, out: AudioNode, when: number, frequency = CUE_HZ): () => void {
  const gain = new GainNode(context, { gain: 0 });
  gain.gain.setValueAtTime(0, when);
  gain.gain.linearRampToValueAtTime(0.12, when + 0.02);
  gain.gain.exponentialRampToValueAtTime(0.001, when + 0.35);
  const oscillator = new OscillatorNode(context, { frequency });
  oscillator.connect(gain).connect(out);
  oscillator.start(when);
  oscillator.stop(when + 0.4);
  return () => oscillator.stop();
}
