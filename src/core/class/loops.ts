import { looped } from './expansion';
import type { Block, Segment } from './plan';

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
