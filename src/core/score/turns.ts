import {
  type Block,
  moveIn,
  PHASES,
  type PhaseName,
  type Plan,
  type ResolvedClass,
  type Segment,
} from '../class';
import {
  type Dose,
  doseIn,
  inVariant,
  type Move,
  type Release,
  type Sides,
  type Variant,
} from '../move';
import type { Side } from './score';
import { printTurn } from './step-key';

/** One round of one segment, where it stands in the running order. */
export interface Turn {
  /** Unique within the class; the beginning of its steps' ids. */
  key: string;
  phase: PhaseName;
  blockId: string;
  segment: Segment;
  /** The move as the library has it. */
  move: Move;
  /** The move as it is done in this meeting. */
  done: Move;
  /** Counted on through the laps of a circuit. */
  round: number;
  rounds: number;
  dose: Dose;
  variant: Variant | undefined;
  /** How the sides share the work, as it is done in this meeting. */
  shared: Sides;
  /** The work parts of this turn, in order. */
  sides: readonly Side[];
  /** The class meets this move, in this meeting, for the first time. */
  firstOfMove: boolean;
  /** The turn before was the same segment, so its name need not be said again. */
  sameAsBefore: boolean;
  lastInBlock: boolean;
}

export const roundsOf = (block: Block, segment: Segment): number => segment.rounds * block.laps;

interface RoundOfSegment {
  segment: Segment;
  round: number;
}

/** The meeting that a round of a segment is done in. */
export const variantOf = (segment: Segment, round: number): Variant | undefined =>
  segment.byRound?.[round - 1]?.variant ?? segment.variant;

/** How the sides share a round: as the segment says, or as its meeting does where nobody chose otherwise. */
function sharedIn(segment: Segment, move: Move, variant: Variant | undefined): Sides {
  const own = variant && move.variants[variant]?.sides;
  return own && segment.sides === move.sides ? own : segment.sides;
}

/** How a segment is let go: its own way, else the class's, else that of its move as it is done. */
export const releaseOf = (
  segment: Pick<Segment, 'release'>,
  plan: Pick<Plan, 'rules'>,
  done: Move,
): Release => segment.release ?? plan.rules.release ?? done.release;

function* rounds(block: Block): Generator<RoundOfSegment> {
  const { segments } = block;
  if (block.order === 'alternating') {
    const most = Math.max(...segments.map((s) => s.rounds));
    for (let round = 1; round <= most; round++) {
      for (const segment of segments) if (round <= segment.rounds) yield { segment, round };
    }
    return;
  }
  for (let lap = 0; lap < block.laps; lap++) {
    for (const segment of segments) {
      for (let r = 1; r <= segment.rounds; r++) yield { segment, round: lap * segment.rounds + r };
    }
  }
}

const PERFORMED: Record<Sides, readonly Side[]> = {
  together: ['both'],
  each: ['left', 'right'],
  directions: ['one', 'other'],
  alternating: ['alternating'],
};

/** The work parts of one round, in order. */
export const performedSides = (sides: Sides): readonly Side[] => PERFORMED[sides];

const keyOf = (
  { segment, round }: RoundOfSegment,
  { onTheRight = false }: { onTheRight?: boolean } = {},
): string => printTurn({ segmentId: segment.id, round, onTheRight });

/**
 * The order of a block. One side first: everything that goes side by side is done on the left
 * throughout, then all of it on the right; what works both sides together comes once, with the left.
 */
function* blockOrder(
  block: Block,
  moves: ResolvedClass['moves'],
): Generator<RoundOfSegment & { key: string; shared: Sides; sides: readonly Side[] }> {
  const oneSide = block.oneSideFirst ?? false;
  const sharing = ({ segment, round }: RoundOfSegment) =>
    sharedIn(segment, moveIn(moves, segment), variantOf(segment, round));
  for (const place of rounds(block)) {
    const shared = sharing(place);
    const left = oneSide && shared === 'each';
    const sides = left ? (['left'] as const) : performedSides(shared);
    yield { ...place, key: keyOf(place), shared, sides };
  }
  if (!oneSide) return;
  for (const place of rounds(block)) {
    const shared = sharing(place);
    if (shared !== 'each') continue;
    yield { ...place, key: keyOf(place, { onTheRight: true }), shared, sides: ['right'] };
  }
}

/** What was met before, by move and meeting, so that only the first meeting is explained in full. */
export const meeting = (move: string, variant: Variant | undefined): string =>
  `${move} ${variant ?? ''}`;

/** The turns of one block in order; adds what it meets to the versions met. */
export function turnsOfBlock(
  block: Block,
  phase: PhaseName,
  met: Set<string>,
  moves: ResolvedClass['moves'],
): Turn[] {
  const all: Turn[] = [];
  let before: Segment | undefined;
  for (const { segment, round, key, shared, sides } of blockOrder(block, moves)) {
    const asked = segment.byRound?.[round - 1]?.dose ?? segment.dose;
    const variant = variantOf(segment, round);
    const move = moveIn(moves, segment);
    const meets = meeting(segment.move, variant);
    all.push({
      key,
      phase,
      blockId: block.id,
      segment,
      move,
      done: inVariant(move, variant),
      round,
      rounds: roundsOf(block, segment),
      dose: doseIn(move, variant, asked),
      variant,
      shared,
      sides,
      firstOfMove: !met.has(meets),
      sameAsBefore: before === segment,
      lastInBlock: false,
    });
    met.add(meets);
    before = segment;
  }
  const last = all.at(-1);
  if (last) last.lastInBlock = true;
  return all;
}

/** Every turn of a class in running order. */
export function turns({ plan, moves }: ResolvedClass): Turn[] {
  const met = new Set<string>();
  return PHASES.flatMap((phase) =>
    plan.phases[phase].flatMap((block) => turnsOfBlock(block, phase, met, moves)),
  );
}
