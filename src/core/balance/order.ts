import { type Block, moveIn, type PhaseName, type Plan, type ResolvedClass } from '../class';
import { inVariant, mainRegion, REGIONS, worksOn } from '../move';

type Moves = ResolvedClass['moves'];

/** Where a block stands on the face, from the collarbone up; null where it has no one place. */
function heightOf(moves: Moves, block: Block): number | null {
  const heights = block.segments.map((s) => {
    const region = mainRegion(moveIn(moves, s));
    return region ? REGIONS.indexOf(region) : null;
  });
  const known = heights.filter((h) => h !== null);
  return known.length === heights.length && known.length
    ? known.reduce((sum, h) => sum + h, 0) / known.length
    : null;
}

const drains = (moves: Moves, block: Block) =>
  block.segments.some((s) => inVariant(moveIn(moves, s), s.variant).demands.includes('drain'));

/** The sorting key of a block by the school of the class; null where the block may stand anywhere. */
function keyOf({ plan, moves }: ResolvedClass, phase: PhaseName, block: Block): number | null {
  if (phase === 'massage') {
    const height = heightOf(moves, block);
    return height === null ? null : -height;
  }
  const { order } = plan.rules;
  if (order === 'focus') {
    const { aim } = plan;
    if (aim.kind !== 'focus') return null;
    const about = block.segments.some((s) => worksOn(moveIn(moves, s), aim.areas));
    return about ? 0 : 1;
  }
  const height = heightOf(moves, block);
  return height === null ? null : order === 'upward' ? height : -height;
}

/** Sorts the blocks that have a place; the others keep the index they have. */
function sorted(resolved: ResolvedClass, phase: PhaseName): Block[] {
  const { plan, moves } = resolved;
  const all = plan.phases[phase];
  // A massage ends by draining, whatever else has no place of its own on the face.
  const last = phase === 'massage' ? all.filter((block) => drains(moves, block)) : [];
  const blocks = all.filter((block) => !last.includes(block));
  const placed = blocks
    .map((block) => ({ block, key: keyOf(resolved, phase, block) }))
    .filter((b): b is { block: Block; key: number } => b.key !== null)
    .sort((a, b) => (a.key === b.key ? 0 : a.key < b.key ? -1 : 1));
  const inOrder = blocks.map((block) =>
    keyOf(resolved, phase, block) === null ? block : (placed.shift()?.block ?? block),
  );
  return [...inOrder, ...last];
}

/** The class with its work and massage in the order its school wants. */
export const sortedByOrder = (resolved: ResolvedClass): Plan => ({
  ...resolved.plan,
  phases: {
    ...resolved.plan.phases,
    work: sorted(resolved, 'work'),
    massage: sorted(resolved, 'massage'),
  },
});
