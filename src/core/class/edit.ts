import type { Move } from '../move';
import { type Block, PHASES, type PhaseName, type Plan, type Rules, type Segment } from './plan';

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

/** Adds a segment in a block of its own, at an index among the phase's blocks (the end by default). */
export function addSegment(
  plan: Plan,
  segment: Segment,
  phase: PhaseName,
  index = plan.phases[phase].length,
): Plan {
  const block: Block = {
    id: `block-${segment.id}`,
    order: 'straight',
    laps: 1,
    segments: [segment],
  };
  const blocks = [...plan.phases[phase]];
  blocks.splice(index, 0, block);
  return { ...plan, phases: { ...plan.phases, [phase]: blocks } };
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
export function classOf(
  start: Plan,
  lines: readonly ClassLine[],
  moveOf: (id: string) => Move | undefined,
): Plan {
  return lines.reduce((plan, { phase, ...line }, i) => {
    const move = moveOf(line.move);
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

/** Removes a segment, and its block where that leaves it empty. */
export function removeSegment(plan: Plan, id: string): Plan {
  return mapBlocks(plan, (block) => {
    const segments = block.segments.filter((s) => s.id !== id);
    return segments.length ? [{ ...block, segments }] : [];
  });
}

/** Where a block may be dropped: before the index-th block of a phase, counted without the block itself. */
export interface Place {
  phase: PhaseName;
  index: number;
}

export function moveBlock(plan: Plan, blockId: string, to: Place): Plan {
  const block = PHASES.flatMap((p) => plan.phases[p]).find((b) => b.id === blockId);
  if (!block) return plan;
  const without = mapBlocks(plan, (b) => (b.id === blockId ? [] : [b]));
  const blocks = [...without.phases[to.phase]];
  blocks.splice(to.index, 0, block);
  return { ...without, phases: { ...without.phases, [to.phase]: blocks } };
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
