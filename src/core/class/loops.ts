import type { Block, Segment } from './plan';

/**
 * The segments of a block with its loops gone through, the inner ones first where they lie in one another.
 * Only straight sets have loops; one whose ends are not in the block, or stand the wrong way round, is none.
 */
export function looped({ order, segments, loops = [] }: Block): readonly Segment[] {
  if (order !== 'straight' || loops.length === 0) return segments;
  const at = (id: string) => segments.findIndex((s) => s.id === id);
  return loops
    .toSorted((a, b) => at(a.to) - at(a.from) - (at(b.to) - at(b.from)))
    .reduce<readonly Segment[]>((all, { from, to, times }) => {
      const first = all.findIndex((s) => s.id === from);
      const last = all.findLastIndex((s) => s.id === to);
      if (first < 0 || last < first) return all;
      const part = all.slice(first, last + 1);
      const again = Array.from({ length: times }, () => part).flat();
      return [...all.slice(0, first), ...again, ...all.slice(last + 1)];
    }, segments);
}

/** How many rounds of a segment a block has, its laps and loops gone through. */
export function roundsOf(block: Block, segment: Segment): number {
  if (!block.loops?.length) return segment.rounds * block.laps;
  const times = looped(block).filter((s) => s.id === segment.id).length;
  return segment.rounds * block.laps * times;
}

/** A block without what its order or its segments do not allow: laps, loops, and loops that lost an end. */
export function tidyBlock(block: Block): Block {
  const { loops, ...rest } = block;
  const laps = block.order === 'circuit' ? block.laps : 1;
  const has = (id: string) => block.segments.some((s) => s.id === id);
  const kept = block.order === 'straight' ? loops?.filter((l) => has(l.from) && has(l.to)) : [];
  return { ...rest, laps, ...(kept?.length && { loops: kept }) };
}
