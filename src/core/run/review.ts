import { type Plan, placedSegments, type Segment, updateSegment } from '../class';
import { amountIn, countOf, type Dose, doseBeats, doseLabel, doseSchema, isTimed } from '../move';
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
/** A pause changed by less is not worth a change of the class, in ms. */
const NOTABLE_MS = 1000;

const median = (all: readonly number[]): number | undefined =>
  [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)];

export interface Lengths {
  plan: Plan;
  /** What changes, in running order. */
  lines: { segmentId: string; moveId: string; words: string }[];
}

/** Work of one side of one round: what was planned, what it came to, and whether all of it was played. */
interface SideOfRound {
  round: number;
  plannedMs: number;
  playedMs: number;
  out: boolean;
}

function sidesOfRounds(parts: readonly Spent[]): SideOfRound[] {
  const rows = new Map<string, SideOfRound>();
  for (const { part, ms } of parts) {
    const { kind, round, side, durationMs } = part.step;
    if (kind !== 'work') continue;
    const key = `${round} ${side}`;
    const row = rows.get(key) ?? { round, plannedMs: 0, playedMs: 0, out: true };
    // What a bend put in to make a side even belongs to it, though nobody had planned it.
    if (!part.put) row.plannedMs += durationMs;
    row.playedMs += playLengthMs(part);
    row.out &&= ms >= playLengthMs(part) - NEARLY_MS;
    rows.set(key, row);
  }
  return [...rows.values()];
}

/** The dose so much longer or shorter, in whole units; in even ones where left and right take turns. */
function changedBy(segment: Segment, ms: number): Dose | null {
  const { dose, sides } = segment;
  const { beatMs } = doseBeats(dose);
  const timed = isTimed(dose);
  const unit = sides === 'alternating' && !timed ? 2 : 1;
  const more = Math.round(ms / beatMs / unit) * unit;
  const changed = countOf(dose, Math.max(unit, amountIn(dose) + more));
  return more !== 0 && doseSchema.safeParse(changed).success ? changed : null;
}

/**
 * The class with the lengths it really had: holds, rounds, releases and rests as they were bent. A class
 * that nobody bent stays as it is, and so does what was not played out, which says nothing.
 */
export function withLengthsOf(plan: Plan, parts: readonly Spent[]): Lengths {
  const lines: Lengths['lines'] = [];
  let changed = plan;
  for (const { segment, block } of placedSegments(plan)) {
    const own = parts.filter((p) => p.part.step.segmentId === segment.id);
    const words: string[] = [];
    const change = (next: Partial<Segment>, said: string) => {
      changed = updateSegment(changed, segment.id, (s) => ({ ...s, ...next }));
      words.push(said);
    };
    if (!segment.byRound?.length) {
      const sides = sidesOfRounds(own);
      const out = sides.filter((s) => s.out);
      const moreMs = median(out.map((s) => s.playedMs - s.plannedMs)) ?? 0;
      const dose = changedBy(segment, moreMs);
      if (dose) change({ dose }, `${doseLabel(dose)} instead of ${doseLabel(segment.dose)}`);
      const rounds = new Set(sides.map((s) => s.round));
      for (const side of sides) if (!side.out) rounds.delete(side.round);
      const fits = rounds.size >= 1 && rounds.size <= MOST_ROUNDS;
      if (
        block.order === 'straight' &&
        !block.loops?.length &&
        fits &&
        rounds.size !== segment.rounds
      ) {
        change({ rounds: rounds.size }, `${rounds.size} rounds instead of ${segment.rounds}`);
      }
    }
    for (const [kind, field] of [
      ['release', 'releaseSeconds'],
      ['rest', 'restSeconds'],
    ] as const) {
      const pauses = own.filter(
        ({ part, ms }) =>
          part.step.kind === kind && !part.put && ms >= playLengthMs(part) - NEARLY_MS,
      );
      const moreMs = median(pauses.map(({ part }) => part.extraMs)) ?? 0;
      if (Math.abs(moreMs) < NOTABLE_MS) continue;
      const seconds = Math.max(0, Math.round(segment[field] + moreMs / 1000));
      change({ [field]: seconds }, `${kind} of ${seconds} s instead of ${segment[field]} s`);
    }
    if (words.length) {
      lines.push({ segmentId: segment.id, moveId: segment.move, words: words.join(', ') });
    }
  }
  return { plan: changed, lines };
}
