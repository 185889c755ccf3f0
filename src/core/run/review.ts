import { type Plan, placedSegments, type Segment, updateSegment } from '../class';
import { countOf, doseBeats, doseLabel } from '../move';
import type { Score, StepKind } from '../score';
import { playLengthMs } from './playback';
import type { Spent } from './spent';

/** Time by what was done in it, in ms. */
export interface Times {
  /** Upbeats and changes of side. */
  talkMs: number;
  workMs: number;
  /** Releases and rests. */
  pauseMs: number;
  /** Time the class stood still. */
  stoodMs: number;
}

export interface SegmentTimes {
  segmentId: string;
  moveId: string;
  planned: Times;
  actual: Times;
}

export const totalOf = ({ talkMs, workMs, pauseMs, stoodMs }: Times): number =>
  talkMs + workMs + pauseMs + stoodMs;

const COUNTED_AS: Record<StepKind, keyof Times> = {
  upbeat: 'talkMs',
  switch: 'talkMs',
  work: 'workMs',
  release: 'pauseMs',
  rest: 'pauseMs',
};

const nothing = (): Times => ({ talkMs: 0, workMs: 0, pauseMs: 0, stoodMs: 0 });

/** Where the minutes went: planned against actual, segment by segment, in running order. */
export function minutesOf(score: Score, parts: readonly Spent[]): SegmentTimes[] {
  const rows = new Map<string, SegmentTimes>();
  const row = ({ segmentId, moveId }: { segmentId: string; moveId: string }): SegmentTimes => {
    const found = rows.get(segmentId) ?? {
      segmentId,
      moveId,
      planned: nothing(),
      actual: nothing(),
    };
    rows.set(segmentId, found);
    return found;
  };
  for (const step of score.steps) row(step).planned[COUNTED_AS[step.kind]] += step.durationMs;
  for (const { part, ms, stoodMs } of parts) {
    const { actual } = row(part.step);
    actual[COUNTED_AS[part.step.kind]] += ms;
    actual.stoodMs += stoodMs;
  }
  return [...rows.values()];
}

/** A step counts as played out when no more than this is missing, in ms. */
const NEARLY_MS = 500;
const MOST_ROUNDS = 10;

const median = (all: readonly number[]): number | undefined =>
  all.toSorted((a, b) => a - b)[Math.floor(all.length / 2)];

export interface Lengths {
  plan: Plan;
  /** What changes, in running order. */
  lines: { segmentId: string; moveId: string; words: string }[];
}

/**
 * The class with the lengths it really had: holds, rounds, releases and rests as they were led. What
 * was not played out says nothing, and is left as it was.
 */
export function withLengthsOf(plan: Plan, parts: readonly Spent[]): Lengths {
  const lines: Lengths['lines'] = [];
  let changed = plan;
  for (const { segment, block } of placedSegments(plan)) {
    const own = parts.filter((p) => p.part.step.segmentId === segment.id);
    const out = own.filter((p) => p.ms >= playLengthMs(p.part) - NEARLY_MS);
    const lengthOf = (kind: StepKind) =>
      median(out.flatMap((p) => (p.part.step.kind === kind ? playLengthMs(p.part) : [])));
    const words: string[] = [];
    const change = (next: Partial<Segment>, said: string) => {
      changed = updateSegment(changed, segment.id, (s) => ({ ...s, ...next }));
      words.push(said);
    };
    if (!segment.byRound?.length) {
      const workMs = lengthOf('work');
      const { count, beatMs } = doseBeats(segment.dose);
      const played = workMs && Math.max(1, Math.round(workMs / beatMs));
      if (played && played !== count) {
        const dose = countOf(segment.dose, played);
        change({ dose }, `${doseLabel(dose)} instead of ${doseLabel(segment.dose)}`);
      }
      const rounds = new Set(
        out.flatMap((p) => (p.part.step.kind === 'work' ? p.part.step.round : [])),
      ).size;
      const fits = rounds >= 1 && rounds <= MOST_ROUNDS;
      if (block.order === 'straight' && fits && rounds !== segment.rounds) {
        change({ rounds }, `${rounds} rounds instead of ${segment.rounds}`);
      }
    }
    for (const [kind, field] of [
      ['release', 'releaseSeconds'],
      ['rest', 'restSeconds'],
    ] as const) {
      const ms = lengthOf(kind);
      if (ms === undefined) continue;
      const seconds = Math.round(ms / 1000);
      if (Math.abs(seconds - segment[field]) >= 1) {
        change({ [field]: seconds }, `${kind} of ${seconds} s instead of ${segment[field]} s`);
      }
    }
    if (words.length) {
      lines.push({ segmentId: segment.id, moveId: segment.move, words: words.join(', ') });
    }
  }
  return { plan: changed, lines };
}
