import { type Dose, hasVariant, type Move } from '../move';
import { allEasier } from './cues';
import { roundsOf, tidyBlock } from './loops';
import {
  type Block,
  blocksOf,
  PHASES,
  type PhaseName,
  type Plan,
  placedSegments,
  type Rules,
  type Segment,
} from './plan';
import { type Moves, moveIn, type ResolvedClass } from './resolve';

/** Pure edits of a class. Each returns a new plan and leaves the old one as it was, so undo is free. */

const mapBlocks = (plan: Plan, change: (block: Block) => Block[]): Plan => ({
  ...plan,
  phases: Object.fromEntries(
    PHASES.map((phase) => [phase, plan.phases[phase].flatMap(change)]),
  ) as Plan['phases'],
});

const PHASE_OF_KIND: Record<Move['kind'], PhaseName> = {
  breath: 'arrive',
  warmup: 'warmUp',
  stretch: 'warmUp',
  exercise: 'work',
  massage: 'massage',
  point: 'massage',
};

/** The phase a move is put into when the teacher names none. */
export function phaseFor(move: Move): PhaseName {
  return PHASE_OF_KIND[move.kind];
}

/** A segment of a move as the library suggests it. */
export function segmentOf(move: Move, id: string): Segment {
  return {
    id,
    move: move.id,
    dose: move.dose,
    sides: move.sides,
    rounds: move.rounds,
    releaseSeconds: move.releaseSeconds,
    restSeconds: 0,
  };
}

/** Ids that no segment of a class has yet, the smallest numbers first. */
export function freeSegmentIds(plan: Plan, count: number): string[] {
  const taken = new Set(placedSegments(plan).map((p) => p.segment.id));
  const ids: string[] = [];
  for (let n = taken.size + 1; ids.length < count; n++) {
    if (!taken.has(`s${n}`)) ids.push(`s${n}`);
  }
  return ids;
}

function freeBlockId(plan: Plan, wish: string): string {
  const taken = new Set(blocksOf(plan).map((b) => b.id));
  let id = wish;
  for (let n = 2; taken.has(id); n++) id = `${wish}-${n}`;
  return id;
}

/** A block of one segment, under an id that no other block of the class has. */
function blockOf(plan: Plan, segment: Segment): Block {
  const id = freeBlockId(plan, `block-${segment.id}`);
  return { id, order: 'straight', laps: 1, segments: [segment] };
}

function insertBlock(plan: Plan, block: Block, { phase, index }: Place): Plan {
  const blocks = [...plan.phases[phase]];
  blocks.splice(index, 0, block);
  return { ...plan, phases: { ...plan.phases, [phase]: blocks } };
}

/** Adds a segment in a block of its own, at an index among the phase's blocks (the end by default). */
export function addSegment(
  plan: Plan,
  segment: Segment,
  phase: PhaseName,
  index = plan.phases[phase].length,
): Plan {
  return insertBlock(plan, blockOf(plan, segment), { phase, index });
}

/** A line of a class to be: a move, and what is different from how the library suggests it. */
export interface ClassLine extends Partial<Omit<Segment, 'id'>> {
  move: string;
  phase?: PhaseName;
}

/**
 * A class of the given lines, each in a block of its own, in the phase its move belongs to.
 * @throws Error for a move that is not found
 */
export function classOf(start: Plan, lines: readonly ClassLine[], studio: Moves): Plan {
  return lines.reduce((plan, { phase, ...line }, i) => {
    const move = studio.move(line.move);
    if (!move) throw new Error(`There is no move "${line.move}".`);
    const segment = { ...segmentOf(move, `s${i + 1}`), ...line };
    return addSegment(plan, segment, phase ?? phaseFor(move));
  }, start);
}

export function updateSegment(plan: Plan, id: string, change: (segment: Segment) => Segment): Plan {
  return mapBlocks(plan, (block) => [
    block.segments.some((s) => s.id === id)
      ? { ...block, segments: block.segments.map((s) => (s.id === id ? change(s) : s)) }
      : block,
  ]);
}

/** Removes segments, and blocks that this leaves empty; a group of one is a group no longer. */
export function removeSegments(plan: Plan, ids: readonly string[]): Plan {
  return mapBlocks(plan, (block) => {
    const segments = block.segments.filter((s) => !ids.includes(s.id));
    if (segments.length === block.segments.length) return [block];
    return segments.length ? [tidyBlock({ ...block, segments })] : [];
  });
}

export const removeSegment = (plan: Plan, id: string): Plan => removeSegments(plan, [id]);

/** Where a block may be dropped: before the index-th block of a phase, counted without the block itself. */
export interface Place {
  phase: PhaseName;
  index: number;
}

export function moveBlock(plan: Plan, blockId: string, to: Place): Plan {
  const block = blocksOf(plan).find((b) => b.id === blockId);
  if (!block) return plan;
  return insertBlock(
    mapBlocks(plan, (b) => (b.id === blockId ? [] : [b])),
    block,
    to,
  );
}

/** The place one step up or down from where a block stands, crossing into the next phase at its ends. */
export function neighbour(plan: Plan, blockId: string, direction: -1 | 1): Place | null {
  const p = PHASES.findIndex((phase) => plan.phases[phase].some((b) => b.id === blockId));
  const phase = PHASES[p];
  if (!phase) return null;
  const index = plan.phases[phase].findIndex((b) => b.id === blockId) + direction;
  if (index >= 0 && index < plan.phases[phase].length) return { phase, index };
  const next = PHASES[p + direction];
  return next ? { phase: next, index: direction < 0 ? plan.phases[next].length : 0 } : null;
}

export function changeRules(plan: Plan, rules: Partial<Rules>): Plan {
  return { ...plan, rules: { ...plan.rules, ...rules } };
}

/** Puts a segment into a block at an index, counted without the segment itself. */
export function putIntoBlock(plan: Plan, id: string, blockId: string, index: number): Plan {
  const segment = placedSegments(plan).find((p) => p.segment.id === id)?.segment;
  if (!segment) return plan;
  const from = placedSegments(plan).find((p) => p.segment.id === id)?.block;
  const without =
    from?.id === blockId
      ? updateBlock(plan, blockId, (b) => ({
          ...b,
          segments: b.segments.filter((s) => s.id !== id),
        }))
      : removeSegment(plan, id);
  return updateBlock(without, blockId, (b) => {
    const segments = [...b.segments];
    segments.splice(index, 0, segment);
    return { ...b, segments };
  });
}

/** Takes a segment out of its group and gives it a block of its own; the index counts without a block it leaves empty. */
export function takeOut(plan: Plan, id: string, to: Place): Plan {
  const segment = placedSegments(plan).find((p) => p.segment.id === id)?.segment;
  return segment ? addSegment(removeSegment(plan, id), segment, to.phase, to.index) : plan;
}

export function updateBlock(plan: Plan, id: string, change: (block: Block) => Block): Plan {
  return mapBlocks(plan, (block) => [block.id === id ? change(block) : block]);
}

/** How a block is done. Laps belong to a circuit alone and loops to straight sets, so another order drops them. */
export function arrangeBlock(
  plan: Plan,
  id: string,
  arranged: Partial<Omit<Block, 'id' | 'segments'>>,
): Plan {
  return updateBlock(plan, id, (block) => tidyBlock({ ...block, ...arranged }));
}

/** Most segments a block may hold. */
export const MOST_IN_BLOCK = 20;

/**
 * Does segments together, where the first of them stands and in running order. A circuit goes round
 * by its laps, so the rounds each segment had become laps (the most of them).
 */
export function groupSegments(plan: Plan, ids: readonly string[], order: Block['order']): Plan {
  const chosen = placedSegments(plan).filter((p) => ids.includes(p.segment.id));
  const first = chosen[0];
  if (!first || chosen.length < 2 || chosen.length > MOST_IN_BLOCK) return plan;
  const laps = order === 'circuit' ? Math.max(...chosen.map((p) => p.segment.rounds)) : 1;
  const segments = chosen.map(({ segment }) =>
    order === 'circuit' ? { ...segment, rounds: 1 } : segment,
  );
  const group = tidyBlock({ ...first.block, order, laps, segments });
  const others = chosen.slice(1).map((p) => p.segment.id);
  const kept = first.block.segments.filter((s) => !ids.includes(s.id));
  let next = removeSegments(plan, others);
  if (kept.length === 0) return updateBlock(next, first.block.id, () => group);
  const index = next.phases[first.phase].findIndex((b) => b.id === first.block.id);
  next = removeSegment(next, first.segment.id);
  const id = freeBlockId(next, `block-${first.segment.id}`);
  return insertBlock(next, { ...group, id }, { phase: first.phase, index });
}

/** Gives every segment of a group a block of its own again; laps and loops become rounds. */
export function ungroup(plan: Plan, blockId: string): Plan {
  const placed = placedSegments(plan).find((p) => p.block.id === blockId);
  if (!placed) return plan;
  const { phase, block } = placed;
  const index = plan.phases[phase].indexOf(block);
  const without = mapBlocks(plan, (b) => (b.id === blockId ? [] : [b]));
  return block.segments.reduce((next, segment, i) => {
    const rounds = Math.min(10, roundsOf(block, segment));
    return addSegment(next, { ...segment, rounds }, phase, index + i);
  }, without);
}

/** Copies of segments right after the last of them, each in a block of its own. */
export function duplicateSegments(plan: Plan, ids: readonly string[]): Plan {
  const chosen = placedSegments(plan).filter((p) => ids.includes(p.segment.id));
  const last = chosen.at(-1);
  if (!last) return plan;
  return pasteSegments(
    plan,
    chosen.map((p) => ({ phase: p.phase, segment: p.segment })),
    last.segment.id,
  );
}

export interface Copied {
  phase: PhaseName;
  segment: Segment;
}

/**
 * Copies of segments, of this class or another: after a segment where one is named, else each at the
 * end of its phase.
 */
export function pasteSegments(plan: Plan, copied: readonly Copied[], after?: string): Plan {
  const ids = freeSegmentIds(plan, copied.length);
  const anchor = placedSegments(plan).find((p) => p.segment.id === after);
  const index = anchor ? plan.phases[anchor.phase].indexOf(anchor.block) + 1 : 0;
  return copied.reduce((next, { phase, segment }, i) => {
    const copy = { ...segment, id: ids[i] ?? segment.id };
    return anchor ? addSegment(next, copy, anchor.phase, index + i) : addSegment(next, copy, phase);
  }, plan);
}

/** Moves the blocks of several segments one step together; they keep their order and stop at the ends. */
export function shiftBlocks(plan: Plan, ids: readonly string[], direction: -1 | 1): Plan {
  const chosen = blocksOf(plan).filter((b) => b.segments.some((s) => ids.includes(s.id)));
  const order = direction < 0 ? chosen : [...chosen].reverse();
  const next = order[0] && neighbour(plan, order[0].id, direction);
  if (!next) return plan;
  return order.reduce((now, block) => {
    const to = neighbour(now, block.id, direction);
    return to ? moveBlock(now, block.id, to) : now;
  }, plan);
}

/** Every dose that a segment names: its own, that of single rounds, that of an uneven side. */
export const dosesIn = ({ dose, byRound, uneven }: Segment): Dose[] => [
  dose,
  ...(byRound?.flatMap((r) => r.dose ?? []) ?? []),
  ...(uneven ? [uneven.dose] : []),
];

/** The segment with every dose that it names changed. */
export const mapDoses = (segment: Segment, change: (dose: Dose) => Dose): Segment => ({
  ...segment,
  dose: change(segment.dose),
  ...(segment.byRound && {
    byRound: segment.byRound.map((r) => (r.dose ? { ...r, dose: change(r.dose) } : r)),
  }),
  ...(segment.uneven && { uneven: { ...segment.uneven, dose: change(segment.uneven.dose) } }),
});

/** What one round changes; a round that changes nothing any more is taken as the others are. */
export function changeRound(
  segment: Segment,
  round: number,
  change: NonNullable<Segment['byRound']>[number],
): Segment {
  const rounds = Array.from({ length: Math.max(round, segment.byRound?.length ?? 0) }, (_, i) =>
    i === round - 1 ? change : (segment.byRound?.[i] ?? {}),
  );
  while (rounds.length && Object.values(rounds.at(-1) ?? {}).every((v) => v === undefined)) {
    rounds.pop();
  }
  const { byRound: _, ...rest } = segment;
  return rounds.length ? { ...rest, byRound: rounds } : rest;
}

/** The class with the easier version of every move that has one. */
export function withEasier({ plan, moves }: ResolvedClass): Plan {
  return placedSegments(plan).reduce((all, { segment }) => {
    const move = moveIn(moves, segment);
    if (!hasVariant(move, 'easier')) return all;
    return updateSegment(all, segment.id, (s) => allEasier(s, move));
  }, plan);
}
