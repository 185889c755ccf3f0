/** Least silence between two cues, in ms. */
export const CUE_GAP_MS = 250;

interface Interval {
  start: number;
  end: number;
}

/** The speaking time of one step: cues laid into it never overlap and keep their gap. */
export class Lane {
  private readonly taken: Interval[] = [];

  /** @param lengthMs the step's length; every cue must end a gap before it */
  constructor(private readonly lengthMs: number) {}

  fits(start: number, durationMs: number): boolean {
    const end = start + durationMs;
    if (start < 0 || end + CUE_GAP_MS > this.lengthMs) return false;
    return this.taken.every((t) => end + CUE_GAP_MS <= t.start || start >= t.end + CUE_GAP_MS);
  }

  take(start: number, durationMs: number): void {
    this.taken.push({ start, end: start + durationMs });
    this.taken.sort((a, b) => a.start - b.start);
  }

  /** The free start nearest to a wish and not before a bound, or undefined where nothing fits. */
  nearest(wish: number, durationMs: number, notBefore = 0): number | undefined {
    const candidates = [
      wish,
      notBefore,
      this.lengthMs - CUE_GAP_MS - durationMs,
      ...this.taken.flatMap((t) => [t.end + CUE_GAP_MS, t.start - CUE_GAP_MS - durationMs]),
    ];
    let best: number | undefined;
    for (const start of candidates) {
      if (start < notBefore || !this.fits(start, durationMs)) continue;
      if (best === undefined || Math.abs(start - wish) < Math.abs(best - wish)) best = start;
    }
    return best;
  }
}
