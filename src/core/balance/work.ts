import { AREAS, type Area, type Move, REGIONS, type Region, regionOf } from '../move';
import type { Score } from '../score';

/** Moves by id, as far as they say what they work. */
export type WithAreas = ReadonlyMap<string, Pick<Move, 'areas'>>;

/** Work per face area in ms, each work step weighted by the move's weight for that area. */
export function workByArea(score: Score, moves: WithAreas): Record<Area, number> {
  const work = Object.fromEntries(AREAS.map((area) => [area, 0])) as Record<Area, number>;
  for (const step of score.steps) {
    if (step.kind !== 'work') continue;
    for (const [area, weight] of Object.entries(moves.get(step.moveId)?.areas ?? {})) {
      work[area as Area] += step.durationMs * weight;
    }
  }
  for (const area of AREAS) work[area] = Math.round(work[area]);
  return work;
}

/** Work of the regions of the face in ms: the work of their areas together. */
export function byRegion(work: Record<Area, number>): Record<Region, number> {
  const sums = Object.fromEntries(REGIONS.map((r) => [r, 0])) as Record<Region, number>;
  for (const area of AREAS) sums[regionOf(area)] += work[area];
  return sums;
}
