import type { PhaseName } from '../class';
import type { Score } from '../score';

/** A stretch of a class, in ms from its start. */
export interface Part {
  fromMs: number;
  toMs: number;
}

/** Where a phase is in a class, or all of it; null where the class has nothing in that phase. */
export function partOf({ steps, totalMs }: Score, phase?: PhaseName): Part | null {
  if (!phase) return { fromMs: 0, toMs: totalMs };
  const own = steps.filter((step) => step.phase === phase);
  const [first, last] = [own[0], own.at(-1)];
  return first && last ? { fromMs: first.startMs, toMs: last.startMs + last.durationMs } : null;
}

/** What begins within a part, with its times from the beginning of the part. */
export const within = <T extends { startMs: number; endMs?: number }>(
  all: readonly T[],
  { fromMs, toMs }: Part,
): T[] =>
  all
    .filter(({ startMs }) => startMs >= fromMs && startMs < toMs)
    .map((one) => ({
      ...one,
      startMs: one.startMs - fromMs,
      ...(one.endMs !== undefined && { endMs: Math.min(one.endMs, toMs) - fromMs }),
    }));
