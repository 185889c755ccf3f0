import { cutAndLevel, LONGEST_SECONDS, type Take, type TakeProblem } from '@/core/speech';
import { soundSession } from './sound-session';

/** Why there is nothing to record with. */
export type MicrophoneProblem = 'refused' | 'none' | 'busy' | 'unsupported';

export class NoMicrophone extends Error {
  constructor(readonly problem: MicrophoneProblem) {
    super(`The microphone cannot be used: ${problem}`);
  }
}

const PROBLEMS: Record<string, MicrophoneProblem> = {
  NotAllowedError: 'refused',
  SecurityError: 'refused',
  NotFoundError: 'none',
  OverconstrainedError: 'none',
  NotReadableError: 'busy',
};

/** Samples a second of what is kept: enough for a voice. */
const RATE = 24_000;
/** Some room at the ends, that is cut off. */
const LONGEST_MS = (LONGEST_SECONDS + 5) * 1000;

/** An open microphone. It stays open until it is closed, so that a take begins at once. */
export class Microphone {
  private recorder: MediaRecorder | null = null;
  private ended: Promise<Blob> | null = null;
  private readonly samples: Float32Array<ArrayBuffer>;

  private constructor(
    private readonly stream: MediaStream,
    private readonly context: AudioContext,
    private readonly analyser: AnalyserNode,
    private readonly over: () => void,
  ) {
    this.samples = new Float32Array(analyser.fftSize);
  }

  /** @throws NoMicrophone */
  static async open(): Promise<Microphone> {
    if (!navigator.mediaDevices?.getUserMedia || typeof MediaRecorder === 'undefined') {
      throw new NoMicrophone('unsupported');
    }
    let stream: MediaStream;
    const over = soundSession('play-and-record');
    try {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { channelCount: 1, echoCancellation: false, autoGainControl: false },
      });
    } catch (error) {
      over();
      const problem = error instanceof DOMException ? PROBLEMS[error.name] : undefined;
      if (problem) throw new NoMicrophone(problem);
      throw error;
    }
    const context = new AudioContext();
    const analyser = new AnalyserNode(context, { fftSize: 1024 });
    context.createMediaStreamSource(stream).connect(analyser);
    return new Microphone(stream, context, analyser, over);
  }

  /** Whether it still hears: a plug that is pulled ends it, and on a phone a call. */
  get isOpen(): boolean {
    return this.stream.active;
  }

  /** How loud it is at the moment, 0 to 1. */
  level(): number {
    this.analyser.getFloatTimeDomainData(this.samples);
    return this.samples.reduce((most, s) => Math.max(most, Math.abs(s)), 0);
  }

  /** Begins a take. It ends by itself when it gets too long. */
  start(): void {
    const recorder = new MediaRecorder(this.stream);
    const chunks: Blob[] = [];
    const timer = setTimeout(() => {
      if (recorder.state === 'recording') recorder.stop();
    }, LONGEST_MS);
    recorder.ondataavailable = ({ data }) => chunks.push(data);
    this.ended = new Promise((resolve) => {
      recorder.onstop = () => {
        clearTimeout(timer);
        resolve(new Blob(chunks));
      };
    });
    recorder.start();
    this.recorder = recorder;
  }

  /** Ends a take; what was said, cut and levelled, or why it is of no use. */
  async stop(): Promise<Take | TakeProblem> {
    if (!this.recorder || !this.ended) return 'silent';
    if (this.recorder.state === 'recording') this.recorder.stop();
    const blob = await this.ended;
    this.recorder = null;
    if (blob.size === 0) return 'silent';
    const reader = new OfflineAudioContext(1, 1, RATE);
    let decoded: AudioBuffer;
    try {
      decoded = await reader.decodeAudioData(await blob.arrayBuffer());
    } catch (problem) {
      // Of what lasted a moment some browsers keep a file without a sound in it.
      if (problem instanceof DOMException && problem.name === 'EncodingError') return 'silent';
      throw problem;
    }
    return cutAndLevel(decoded.getChannelData(0), decoded.sampleRate);
  }

  close(): void {
    if (this.recorder?.state === 'recording') this.recorder.stop();
    for (const track of this.stream.getTracks()) track.stop();
    void this.context.close();
    this.over();
  }
}
