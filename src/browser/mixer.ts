import { markVolumes, type Sounds, USUAL_SOUNDS } from '@/core/speech';
import { soundSession } from './sound-session';

/** What a check of the output found. */
export type CheckedSound = 'works' | 'blocked' | 'silent';

const CUE_HZ = 440;
const CHECK_MS = 400;
const AUDIBLE = 0.001;
/** Most that a loudspeaker is taken to be late, in ms. Without a wire 0.1 to 0.3 s are usual (from memory). */
export const MOST_LATE_MS = 500;
/** What a device says of that wanders by less, in ms; by a wire it is less in all, and nobody hears it. */
const WANDERS_MS = 50;
/** How long a press waits for the sound. */
const PATIENCE_MS = 1000;

/** The way of the sound: voice and counts each on their own, then all of it together. */
export interface Ways {
  context: AudioContext;
  all: GainNode;
  voice: GainNode;
  counts: GainNode;
  bells: GainNode;
}

/** How loud everything is. It opens the audio device when it is first needed. */
export class Mixer {
  private opened: Ways | null = null;
  private over = () => {};
  private waking = false;
  /** How late its loudspeaker is as the device has said, in ms. */
  private said = 0;
  /** How late the loudspeaker is as somebody has set it, in ms; null as the device says. */
  late: number | null = null;
  private loudness = 1;
  private voiceMuted = false;
  private marks = markVolumes(USUAL_SOUNDS);

  /** The ways of the sound, where they are open. */
  get ways(): Ways | null {
    return this.opened;
  }

  open(): Ways {
    if (this.opened) return this.opened;
    this.over = soundSession('playback');
    const context = new AudioContext({ latencyHint: 'interactive' });
    const all = new GainNode(context, { gain: this.loudness });
    const voice = new GainNode(context, { gain: this.voiceMuted ? 0 : 1 });
    const counts = new GainNode(context, { gain: this.marks.counts });
    const bells = new GainNode(context, { gain: this.marks.bells });
    all.connect(context.destination);
    voice.connect(all);
    counts.connect(all);
    bells.connect(all);
    this.opened = { context, all, voice, counts, bells };
    return this.opened;
  }

  /**
   * Must be called from a key press or a click, or the browser keeps the sound off. Where it is refused, or never
   * answered, the sound stays `blocked`, and whoever waits goes on: a class begins without it.
   */
  async unlock(): Promise<void> {
    const { context } = this.open();
    if (context.state === 'running') return;
    const refused = () => {};
    const patience = new Promise<void>((done) => setTimeout(done, PATIENCE_MS));
    await Promise.race([context.resume().catch(refused), patience]);
  }

  /** Whether nothing is heard: the browser waits for a press, or the device has taken the sound away, as for a call. */
  get blocked(): boolean {
    return this.opened !== null && this.opened.context.state !== 'running';
  }

  /** Asks for the sound again without a press. Where that is refused it stays `blocked`. */
  wake(): void {
    const { opened } = this;
    if (!opened || this.waking) return;
    const asked = () => {
      this.waking = false;
    };
    this.waking = true;
    opened.context.resume().then(asked, asked);
  }

  /** How long what is played takes until it is heard, in ms (`outputLatency` of Web Audio; not every browser says it). */
  get lateMs(): number {
    if (this.late !== null) return this.late;
    const says = 1000 * (this.opened?.context.outputLatency || 0);
    if (Math.abs(says - this.said) > WANDERS_MS) {
      this.said = Math.max(0, Math.min(MOST_LATE_MS, says));
    }
    return this.said;
  }

  /** How loud everything is, 0 to 1. */
  get volume(): number {
    return this.loudness;
  }

  set volume(value: number) {
    this.loudness = Math.max(0, Math.min(1, value));
    if (this.opened) this.opened.all.gain.value = this.loudness;
  }

  /** Silences the voice; counts and tones go on. */
  get muted(): boolean {
    return this.voiceMuted;
  }

  set muted(muted: boolean) {
    this.voiceMuted = muted;
    if (this.opened) this.opened.voice.gain.value = muted ? 0 : 1;
  }

  /** How loud counts and bells are beside the voice. */
  set besides(sounds: Sounds) {
    this.marks = markVolumes(sounds);
    if (!this.opened) return;
    this.opened.counts.gain.value = this.marks.counts;
    this.opened.bells.gain.value = this.marks.bells;
  }

  /** Plays a tone and looks whether it comes out of the browser. Call it from a click. */
  async check(): Promise<CheckedSound> {
    const { context, all } = this.open();
    this.wake();
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

  close(): void {
    void this.opened?.context.close();
    this.opened = null;
    this.over();
  }
}

/** A soft tone at a time on the audio clock; returns how to take it back. */
export function tone(
  context: AudioContext,
  out: AudioNode,
  when: number,
  frequency = CUE_HZ,
): () => void {
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
