/** Least silence between two cues, in ms. */
export const CUE_GAP_MS = 250;

/** The speaking time of one step: cues laid into it never overlap and keep their gap. */
export class Lane {
  private readonly starts: number[] = [];
  private readonly ends: number[] = [];

  /** @param lengthMs the step's length; every cue must end a gap before it */
  constructor(private readonly lengthMs: number) {}

  /** Index of the first cue that starts at or after an instant. */
  private after(at: number): number {
    let low = 0;
    let high = this.starts.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((this.starts[middle] ?? 0) < at) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Earliest start in the gap before the i-th cue. */
  private opens(i: number): number {
    return i === 0 ? 0 : (this.ends[i - 1] ?? 0) + CUE_GAP_MS;
  }

  /** Latest end in the gap before the i-th cue. */
  private closes(i: number): number {
    return (this.starts[i] ?? this.lengthMs) - CUE_GAP_MS;
  }

  fits(start: number, durationMs: number): boolean {
    const i = this.after(start);
    return start >= this.opens(i) && start + durationMs <= this.closes(i);
  }

  take(start: number, durationMs: number): void {
    const i = this.after(start);
    this.starts.splice(i, 0, start);
    this.ends.splice(i, 0, start + durationMs);
  }

  /** The free start nearest to a wish and not before a bound, or undefined where nothing fits. */
  nearest(wish: number, durationMs: number, notBefore = 0): number | undefined {
    let best: number | undefined;
    for (let i = 0; i <= this.starts.length; i++) {
      const from = Math.max(this.opens(i), notBefore);
      const to = this.closes(i) - durationMs;
      if (from > to) continue;
      const start = Math.min(Math.max(wish, from), to);
      if (best === undefined || Math.abs(start - wish) < Math.abs(best - wish)) best = start;
      if (from > wish) break;
    }
    return best;
  }
}
