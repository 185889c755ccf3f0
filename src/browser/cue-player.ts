import type { Spoken } from '@/core/music';
import type { DueBeat, DueCue } from '@/core/run';
import { type Cue, isCount } from '@/core/score';
import { type Mark, markSound, type Sound as Said, TONE_HZ } from '@/core/sound';
import {
  earlyMs,
  heardAs,
  markVolumes,
  type Sounds,
  shaped,
  softness,
  USUAL_SOUNDS,
  type Utterance,
  wordsKey,
} from '@/core/speech';
import { AudioClock } from './audio-clock';
import { CueAudio } from './cue-audio';
import { browserSpeaks, DeviceVoice } from './device-voice';
import { whenIdle } from './idle';
import { Mixer, tone, type Ways } from './mixer';

/**
 * How the cues are heard: as was chosen, by the server's voice in place of one of this device that fell silent, by the
 * browser's own voice, or by a soft tone beside the text.
 */
export type Sound = 'rendered' | 'instead' | 'browser' | 'tone';

const SAME_TIME_MS = 20;
const FORGET_AFTER_MS = 60_000;
/** How far the audio clock may slide before what is scheduled is scheduled anew, in ms. */
const SLID_MS = 8;
/** What starts within that many ms stays where it is. */
const SETTLED_MS = 200;

/** What could not begin for so long is not said any more. */
const STALE_MS = 400;
/** A count that a voice of this device would say later than that is left out. */
const LATEST_COUNT_MS = 250;
/** The same for words: they would be about what is over. */
const LATEST_WORDS_MS = 5000;

interface Scheduled {
  at: number;
  /** On the audio clock, in seconds; undefined where a voice of this device speaks. */
  when?: number;
  /** How long before its time it begins, in ms. */
  earlyMs?: number;
  /** When it will have been said, on the audio clock. */
  until?: number;
  /** It is said, and from when to when, on the audio clock in ms. */
  spoken?: Spoken;
  stop: () => void;
}

/**
 * Plays cues at their time. It is told again and again what is due and makes the schedule agree:
 * what is new is scheduled ahead on the audio clock, what is no longer due is taken back.
 */
export class CuePlayer {
  readonly mixer = new Mixer();
  private readonly scheduled = new Map<string, Scheduled>();
  private sounds: Sound = 'rendered';
  /** How not to listen ahead any more; null where that is not under way. */
  private listening: (() => void) | null = null;
  private readonly audio: CueAudio;
  /** The clock of the cues, as it was given last. */
  private now: () => number = () => 0;
  private clock: AudioClock | null = null;
  /** Nothing was heard when what is due was told last. */
  private wasStill = false;
  /** How much faster than spoken the audio runs; a rehearsal may hurry. */
  speed = 1;
  /** Cues may be planned shorter than the server says them, for the teacher or a voice of a device: it hurries as much. */
  hurries = false;
  private deviceVoice: DeviceVoice | null = null;
  /** What recordings say, by `wordsKey`: no voice of the device does. */
  recorded: ReadonlySet<string> = new Set();
  /** Speaks where the server has no voice. */
  private readonly anyVoice = new DeviceVoice();
  /** Is told when somebody speaks, as often as what is due is told. */
  onSpoken: (spoken: Spoken[]) => void = () => {};
  private wanted: Sounds = USUAL_SOUNDS;
  private readonly marks = new Map<Mark, AudioBuffer>();
  /** How early each spoken count begins. */
  private readonly earlies = new WeakMap<AudioBuffer, number>();

  constructor(
    wordsPerMinute: number,
    urlOf: (utterance: Utterance) => string,
    private readonly onSound: (sound: Sound) => void = () => {},
  ) {
    const decode = async (file: ArrayBuffer) => {
      const { context } = this.mixer.open();
      return this.shaped(context, await context.decodeAudioData(file));
    };
    this.audio = new CueAudio(wordsPerMinute, decode, {
      urlOf,
      renewed: () => this.respeak(),
      // The browser's own voice, or tones where it has none either.
      voiceless: () => this.fallenBack(browserSpeaks() ? 'browser' : 'tone'),
    });
  }

  get sound(): Sound {
    return this.sounds;
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

  /** What is heard besides words, from now on. */
  set besides(sounds: Sounds) {
    const elsewhere = sounds.heardOn !== this.wanted.heardOn;
    this.wanted = sounds;
    this.mixer.besides = sounds;
    if (elsewhere) this.audio.decodeAnew();
    this.respeak();
  }

  /** The voices of this device that speak, whatever the server has; null where the server's do. */
  get device(): DeviceVoice | null {
    return this.deviceVoice;
  }

  set device(voice: DeviceVoice | null) {
    if (voice === this.deviceVoice) return;
    this.deviceVoice = voice;
    this.respeak();
  }

  /** Must be called from a press: before one, browsers keep the sound off, and telephones the voices of the device. */
  async unlock(): Promise<void> {
    if (browserSpeaks()) (this.deviceVoice ?? this.anyVoice).unlock();
    await this.mixer.unlock();
  }

  /** The server speaks with another voice from now on: what was fetched is fetched anew. */
  changeVoice(): void {
    this.audio.changeVoice();
    this.fallenBack('rendered');
  }

  /** Takes back what has not begun yet, so that it is scheduled as it is now to be said. */
  private respeak(): void {
    const now = this.mixer.ways?.context.currentTime ?? 0;
    for (const [key, entry] of this.scheduled) {
      const from = entry.when ?? (entry.spoken?.fromMs ?? Number.POSITIVE_INFINITY) / 1000;
      if (from <= now) continue;
      entry.stop();
      this.scheduled.delete(key);
    }
  }

  /** Makes the audio of cues ready that are due soon, in the order given. */
  fetchAhead(cues: readonly Cue[]): void {
    this.audio.fetchAhead(cues);
    this.listenAhead(cues);
  }

  /** Finds the beat of one count after the other while nothing else is to be done: it takes long, and many are due at once. */
  private listenAhead(cues: readonly Cue[]): void {
    if (this.listening) return;
    for (const cue of cues) {
      const buffer = isCount(cue) && this.audio.of(cue);
      if (!buffer || this.earlies.has(buffer)) continue;
      this.listening = whenIdle(() => {
        this.listening = null;
        this.earlyOf(cue, buffer);
        this.listenAhead(cues);
      });
      return;
    }
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
    const { ways } = this.mixer;
    if (!ways) return;
    const { context } = ways;
    this.now = clock;
    this.clock ??= new AudioClock(
      () => context.currentTime,
      () => this.now(),
      () => this.mixer.lateMs,
    );
    const still = this.mixer.blocked;
    if (still) this.mixer.wake();
    if (still || this.wasStill) this.clock.lookAnew();
    else this.clock.look();
    this.wasStill = still;
    this.clock.watch();
    const now = clock();
    if (still) this.dropStale(now, context.currentTime);
    const keys = new Set([...due, ...beats].map((d) => d.key));
    for (const [key, entry] of this.scheduled) {
      const passed = entry.at <= now;
      const moved =
        due.some((d) => d.key === key && Math.abs(d.at - entry.at) > SAME_TIME_MS) ||
        this.slid(this.clock, entry, now);
      if (entry.at < now - FORGET_AFTER_MS) this.scheduled.delete(key);
      if ((!keys.has(key) && !passed) || moved) {
        entry.stop();
        this.scheduled.delete(key);
      }
    }
    this.fetchAhead(due.map((d) => d.cue));
    for (const d of due) {
      if (!this.scheduled.has(d.key)) this.schedule(ways, this.clock, d, now);
    }
    for (const { key, at, of } of beats) {
      if (this.scheduled.has(key)) continue;
      const when = this.clock.secondsAt(at);
      this.scheduled.set(key, { at, when, stop: this.mark(ways, of, when) });
    }
    this.onSpoken([...this.scheduled.values()].flatMap(({ spoken }) => spoken ?? []));
  }

  /** Takes back what has passed unheard: it would all be said at once, and hold up the rest, when the sound comes back. */
  private dropStale(now: number, heardTo: number): void {
    for (const entry of this.scheduled.values()) {
      const ends = entry.until ?? entry.when;
      if (ends === undefined || ends <= heardTo || entry.at > now - STALE_MS) continue;
      entry.stop();
      entry.until = undefined;
      entry.spoken = undefined;
    }
  }

  /** Whether the audio clock has slid since a sound was scheduled, and there is time to do it anew. */
  private slid(
    clock: AudioClock,
    { at, when, earlyMs: early = 0 }: Scheduled,
    now: number,
  ): boolean {
    const begins = at - early - this.mixer.lateMs;
    if (when === undefined || begins < now + SETTLED_MS) return false;
    return Math.abs(this.placeOf(clock, at, early) - when) * 1000 > SLID_MS;
  }

  /**
   * Where a cue goes on the audio clock: at its time or so much before it, but never over one that is still being
   * said.
   */
  private placeOf(clock: AudioClock, at: number, early = 0): number {
    let free = 0;
    for (const before of this.scheduled.values()) {
      if (before.at < at && before.until !== undefined) free = Math.max(free, before.until);
    }
    return Math.max(clock.secondsAt(at - early), free);
  }

  /** Falls silent at once and forgets what was scheduled. */
  silence(): void {
    this.clock?.rest();
    for (const entry of this.scheduled.values()) entry.stop();
    this.scheduled.clear();
    this.onSpoken([]);
  }

  close(): void {
    this.silence();
    this.listening?.();
    this.audio.close();
    this.mixer.close();
    this.clock = null;
  }

  /** What is said as it is to be heard where the class is heard. */
  private shaped(context: AudioContext, buffer: AudioBuffer): AudioBuffer {
    const { heardOn } = this.wanted;
    const said = { samples: buffer.getChannelData(0), rate: buffer.sampleRate };
    const sound = shaped(said, heardOn);
    return sound === said ? buffer : bufferOf(context, sound);
  }

  /** Lets a mark be heard; returns how to take it back. */
  private mark({ context, counts, bells }: Ways, of: Mark, when: number): () => void {
    if (of === 'beat' || of === 'in' || of === 'out') {
      return tone(context, counts, when, TONE_HZ[of]);
    }
    const buffer = this.marks.get(of) ?? bufferOf(context, markSound(of, context.sampleRate));
    this.marks.set(of, buffer);
    const source = new AudioBufferSourceNode(context, { buffer });
    source.connect(of === 'bell' ? bells : counts);
    source.start(when);
    return () => source.stop();
  }

  /** How long before its beat a spoken count begins. */
  private earlyOf(cue: Cue, buffer: AudioBuffer): number {
    if (!isCount(cue)) return 0;
    const known = this.earlies.get(buffer);
    if (known !== undefined) return known;
    const early = earlyMs({ samples: buffer.getChannelData(0), rate: buffer.sampleRate }, cue);
    this.earlies.set(buffer, early);
    return early;
  }

  private schedule(ways: Ways, clock: AudioClock, due: DueCue, now: number): void {
    const { key, cue, at, phase } = due;
    const { context } = ways;
    const as = heardAs(cue.kind, this.wanted);
    if (as === 'nothing') return;
    if (as !== 'words') {
      const when = clock.secondsAt(at);
      this.scheduled.set(key, { at, when, stop: this.mark(ways, as, when) });
      return;
    }
    const out = isCount(cue) ? ways.counts : ways.voice;
    const buffer = this.audio.of(cue);
    const unspoken = !buffer && this.audio.isUnspeakable(cue);
    const device = this.ofDevice(cue, unspoken);
    if (device) {
      this.byDevice(device, clock, due, now);
      return;
    }
    const early = buffer ? this.earlyOf(cue, buffer) / this.speed : 0;
    const when = this.placeOf(clock, at, early);
    if (unspoken && this.sounds === 'tone') {
      this.scheduled.set(key, { at, when, stop: tone(context, out, when) });
      return;
    }
    if (!buffer) return;
    const over = this.hurries ? (1000 * buffer.duration) / cue.durationMs : 1;
    const playbackRate = this.speed * Math.max(1, over);
    const source = new AudioBufferSourceNode(context, { buffer, playbackRate });
    const gain = softness(this.wanted, phase);
    if (gain === 1) source.connect(out);
    else source.connect(new GainNode(context, { gain })).connect(out);
    source.start(when);
    const seconds = buffer.duration / playbackRate;
    const until = when + seconds;
    const spoken = { fromMs: 1000 * when, toMs: 1000 * until };
    const stop = () => source.stop();
    this.scheduled.set(key, { at, when, until, spoken, earlyMs: early, stop });
  }

  /** The voice of this device that says a cue; null where none does. */
  private ofDevice(cue: Cue, unspoken: boolean): DeviceVoice | null {
    // Hurried, a voice of the device would not end in time.
    const own = this.speed === 1 && this.device?.speaks(cue.language) ? this.device : null;
    if (own && !this.recorded.has(wordsKey(cue))) return own;
    return unspoken && this.sounds === 'browser' ? this.anyVoice : null;
  }

  /** Gives a cue to a voice of this device, so early that it begins in time. */
  private byDevice(voice: DeviceVoice, clock: AudioClock, due: DueCue, now: number): void {
    const { key, cue, at, phase } = due;
    let stop = () => {};
    const speak = () => {
      const { muted, volume } = this.mixer;
      if (muted && !isCount(cue)) return;
      stop = voice.say(this.audio.utterance(cue), {
        volume:
          volume * (isCount(cue) ? markVolumes(this.wanted).counts : softness(this.wanted, phase)),
        expectedMs: cue.durationMs,
        waitsMs: isCount(cue) ? LATEST_COUNT_MS : LATEST_WORDS_MS,
        onSilent: () => this.instead(voice, due),
      });
    };
    const timer = setTimeout(
      speak,
      Math.max(0, at - voice.delayMs(cue.language) - this.mixer.lateMs - now),
    );
    stop = () => clearTimeout(timer);
    const fromMs = 1000 * clock.secondsAt(at);
    const spoken = { fromMs, toMs: fromMs + cue.durationMs };
    this.scheduled.set(key, { at, spoken, stop: () => stop() });
  }

  /** A voice of this device fell silent: what it was to say, and all that follows, is said by another one. */
  private instead(voice: DeviceVoice, due: DueCue): void {
    if (voice !== this.device) return;
    const { clock } = this;
    const { ways } = this.mixer;
    const stillDue = this.scheduled.delete(due.key);
    this.device = null;
    this.fallenBack('instead');
    if (!ways || !clock || !stillDue) return;
    // A count that comes late would be heard as the next one.
    if (isCount(due.cue)) return;
    this.schedule(ways, clock, { ...due, at: this.now() }, this.now());
  }

  private fallenBack(to: Sound): void {
    if (to === this.sounds) return;
    this.sounds = to;
    this.onSound(to);
  }
}

function bufferOf(context: AudioContext, { samples, rate }: Said): AudioBuffer {
  const buffer = context.createBuffer(1, samples.length, rate);
  buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0);
  return buffer;
}
