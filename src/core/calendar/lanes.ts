/** Something that takes a stretch of time. */
export interface Stretch {
  id: string;
  startsAt: number;
  endsAt: number;
}

/** Where something stands among others at the same time: in which lane, of how many side by side. */
export interface Lane {
  lane: number;
  of: number;
}

/**
 * Lanes for things that overlap, so that they stand side by side: each in the first that is free, and as many
 * as the crowd it belongs to needs.
 */
export function lanesOf(things: readonly Stretch[]): ReadonlyMap<string, Lane> {
  const lanes = new Map<string, Lane>();
  const sorted = [...things].sort((a, b) => a.startsAt - b.startsAt || b.endsAt - a.endsAt);
  let crowd: string[] = [];
  let free: number[] = [];
  let until = Number.NEGATIVE_INFINITY;
  const close = () => {
    for (const id of crowd) lanes.set(id, { lane: lanes.get(id)?.lane ?? 0, of: free.length });
    crowd = [];
    free = [];
  };
  for (const { id, startsAt, endsAt } of sorted) {
    if (startsAt >= until) close();
    const found = free.findIndex((end) => end <= startsAt);
    const lane = found < 0 ? free.length : found;
    free[lane] = endsAt;
    crowd.push(id);
    lanes.set(id, { lane, of: 0 });
    until = Math.max(until, endsAt);
  }
  close();
  return lanes;
}
