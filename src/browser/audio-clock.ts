/** How many looks at the audio clock count: enough to outvote one that was interrupted. */
const LOOKS = 9;
const LOOK_EVERY_MS = 100;

/** Where the audio clock stands against the clock of the cues. */
export class AudioClock {
  /** The audio clock less the clock of the cues, in ms, as it was seen lately. */
  private readonly looks: number[] = [];
  private looking: ReturnType<typeof setInterval> | undefined;

  /**
   * @param seconds the audio clock, in seconds
   * @param now the clock of the cues, epoch ms
   * @param lateMs how long what is played takes until it is heard, in ms
   */
  constructor(
    private readonly seconds: () => number,
    private readonly now: () => number,
    private readonly lateMs: () => number = () => 0,
  ) {}

  /**
   * Looks once. The audio clock moves on by whole buffers and a look may be interrupted half way, so the
   * middle one of several counts.
   */
  look(): void {
    this.looks.push(this.seconds() * 1000 - this.now());
    if (this.looks.length > LOOKS) this.looks.shift();
  }

  /** Looks once, and minds no look from before: the audio clock stands still, or has gone on again. */
  lookAnew(): void {
    this.looks.length = 0;
    this.look();
  }

  /** Looks again and again from now on. */
  watch(): void {
    this.looking ??= setInterval(() => this.look(), LOOK_EVERY_MS);
  }

  rest(): void {
    clearInterval(this.looking);
    this.looking = undefined;
  }

  /** When something is played to be heard at an instant of the cues' clock, in seconds; what has passed is now. */
  secondsAt(at: number): number {
    const sorted = [...this.looks].sort((a, b) => a - b);
    const offsetMs = sorted[Math.floor(sorted.length / 2)] ?? 0;
    return Math.max(this.seconds(), (at + offsetMs - this.lateMs()) / 1000);
  }
}
