import {
  addSegment,
  blocksOf,
  moveBlock,
  PHASES,
  type Place,
  type Plan,
  placedSegments,
  putIntoBlock,
  type Segment,
  takeOut,
} from '@/core/class';

/** What is dragged or dropped on, by the id it carries: a move of the shelf, a segment, a group or a phase. */
export const dragId = {
  move: (id: string) => `move:${id}`,
  segment: (id: string) => `segment:${id}`,
  block: (id: string) => `block:${id}`,
  phase: (name: string) => `phase:${name}`,
};

const split = (id: string): [kind: string, rest: string] => {
  const at = id.indexOf(':');
  return [id.slice(0, at), id.slice(at + 1)];
};

/** The move of the shelf that is dragged; nothing where something else is. */
export function movedId(dragged: string): string | null {
  const [kind, id] = split(dragged);
  return kind === 'move' ? id : null;
}

/** The place before the block that is dropped on, or at the end of a phase. */
function placeOf(plan: Plan, over: string): Place | null {
  const [kind, id] = split(over);
  for (const phase of PHASES) {
    if (kind === 'phase' && id === phase) return { phase, index: plan.phases[phase].length };
    const index = plan.phases[phase].findIndex((b) =>
      kind === 'block' ? b.id === id : b.segments.some((s) => s.id === id),
    );
    if (index >= 0) return { phase, index };
  }
  return null;
}

/** The group a segment is dropped into, with the index among its segments; null outside of groups. */
function groupAt(plan: Plan, over: string): { blockId: string; index: number } | null {
  const [kind, id] = split(over);
  const block =
    kind === 'segment' && blocksOf(plan).find((b) => b.segments.some((s) => s.id === id));
  if (!block || block.segments.length < 2) return null;
  return { blockId: block.id, index: block.segments.findIndex((s) => s.id === id) };
}

/** The class after something was dropped on something else; the same class where nothing follows from it. */
export function landed(plan: Plan, active: string, over: string): Plan {
  if (active === over) return plan;
  const [kind, id] = split(active);
  if (kind === 'block') {
    const to = placeOf(plan, over);
    return to ? moveBlock(plan, id, to) : plan;
  }
  if (kind !== 'segment') return plan;
  const group = groupAt(plan, over);
  if (group) return putIntoBlock(plan, id, group.blockId, group.index);
  const to = placeOf(plan, over);
  if (!to) return plan;
  const own = placedSegments(plan).find((p) => p.segment.id === id)?.block;
  return own?.segments.length === 1 ? moveBlock(plan, own.id, to) : takeOut(plan, id, to);
}

/** The class with a segment of the shelf dropped on something. */
export function dropped(plan: Plan, segment: Segment, over: string): Plan {
  const to = placeOf(plan, over);
  if (!to) return plan;
  const added = addSegment(plan, segment, to.phase, to.index);
  const group = groupAt(plan, over);
  return group ? putIntoBlock(added, segment.id, group.blockId, group.index) : added;
}
