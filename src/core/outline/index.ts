import { type WithAreas, workByArea } from '../balance';
import type { ResolvedClass } from '../class';
import { AREAS, type Area, type Kind } from '../move';
import { type Score, segmentRuns } from '../score';

/** A class in small, as lists and the calendar draw it. */

/** A stretch of a class in which one kind of move is done. */
export interface Band {
  kind: Kind;
  ms: number;
}

/** The kinds of a class in turn, neighbours of one kind together. */
export function bandsOf(score: Score, { moves }: ResolvedClass): Band[] {
  const bands: Band[] = [];
  for (const { steps, startMs, endMs } of segmentRuns(score)) {
    const kind = moves.get(steps[0]?.moveId ?? '')?.kind ?? 'breath';
    const last = bands.at(-1);
    if (last?.kind === kind) last.ms += endMs - startMs;
    else bands.push({ kind, ms: endMs - startMs });
  }
  return bands;
}

/** How strongly the dial shows each area: the share of the most worked one. */
export function fillOf(
  score: Score,
  { moves }: { moves: WithAreas },
): Partial<Record<Area, number>> {
  const work = workByArea(score, moves);
  const most = Math.max(1, ...AREAS.map((area) => work[area]));
  return Object.fromEntries(AREAS.map((area) => [area, work[area] / most]));
}
