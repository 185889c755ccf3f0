import {
  type Block,
  looped,
  moveIn,
  PHASES,
  type PhaseName,
  type Plan,
  type ResolvedClass,
  roundsOf,
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
  /** What each round has, this one among them. */
  doses: readonly [Dose, ...Dose[]];
  variant: Variant | undefined;
  /** How the sides share the work, as it is done in this meeting. */
  shared: Sides;
  /** The work parts of this turn, in order. */
  sides: readonly Side[];
  /** The class meets this move, in this meeting, for the first time. */
  firstOfMove: boolean;
  /** The turn before was the same segment, so its name need not be said again. */
  sameAsBefore: boolean;
  /** Where the block is done one side first: the turn before was on this side, so it need not be said again. */
  sideGoesOn: boolean;
  /** The block has been on this side before. */
  sideAgain: boolean;
  /** What the block begins with, in its first turn. */
  opening: string | undefined;
  /** The block is one flow: nothing is announced or counted in but its first turn. */
  flow: 'first' | 'later' | undefined;
  lastInBlock: boolean;
}

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
  const done = new Map<string, number>();
  for (let lap = 0; lap < block.laps; lap++) {
    for (const segment of looped(block)) {
      const before = done.get(segment.id) ?? 0;
      for (let r = 1; r <= segment.rounds; r++) yield { segment, round: before + r };
      done.set(segment.id, before + segment.rounds);
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
  const oneSide = (sides: readonly Side[]) => (sides.length === 1 ? sides[0] : undefined);
  const seen = new Set<Side>();
  const dosesBy = new Map<Segment, Turn['doses']>();
  for (const { segment, round, key, shared, sides } of blockOrder(block, moves)) {
    const asked = segment.byRound?.[round - 1]?.dose ?? segment.dose;
    const variant = variantOf(segment, round);
    const move = moveIn(moves, segment);
    const meets = meeting(segment.move, variant);
    const last = all.at(-1);
    const [side] = sides;
    const doses = dosesBy.get(segment) ?? dosesOf(segment, roundsOf(block, segment), move);
    dosesBy.set(segment, doses);
    all.push({
      key,
      phase,
      blockId: block.id,
      segment,
      move,
      done: inVariant(move, variant),
      round,
      rounds: doses.length,
      dose: doseIn(move, variant, asked),
      doses,
      variant,
      shared,
      sides,
      firstOfMove: !met.has(meets),
      sameAsBefore: before === segment,
      sideGoesOn: last !== undefined && side !== undefined && oneSide(last.sides) === side,
      sideAgain: side !== undefined && seen.has(side),
      opening: last ? undefined : block.opening,
      flow: block.flow ? (last ? 'later' : 'first') : undefined,
      lastInBlock: false,
    });
    if (side) seen.add(side);
    met.add(meets);
    before = segment;
  }
  const last = all.at(-1);
  if (last) last.lastInBlock = true;
  return all;
}

/** What each round of a segment has. */
function dosesOf(segment: Segment, rounds: number, move: Move): [Dose, ...Dose[]] {
  const doseOf = (round: number) =>
    doseIn(move, variantOf(segment, round), segment.byRound?.[round - 1]?.dose ?? segment.dose);
  const [, ...later] = Array.from({ length: rounds }, (_, i) => doseOf(i + 1));
  return [doseOf(1), ...later];
}

/** The dose of one side of a turn: the side that is uneven on purpose has one of its own. */
export function doseOn({ dose, segment, move, variant }: Turn, side: Side): Dose {
  const { uneven } = segment;
  return uneven?.side === side ? doseIn(move, variant, uneven.dose) : dose;
}

/** The doses of a turn, one a side. */
export const dosesOfTurn = (turn: Turn): Dose[] => turn.sides.map((side) => doseOn(turn, side));

/** Every turn of a class in running order. */
export function turns({ plan, moves }: ResolvedClass): Turn[] {
  const met = new Set<string>();
  return PHASES.flatMap((phase) =>
    plan.phases[phase].flatMap((block) => turnsOfBlock(block, phase, met, moves)),
  );
}

/** What there is of a segment in one of the variants that it is done in. */
export interface VariantDone {
  /** The first of its turns. */
  turn: Turn;
  /** What each of its rounds has. */
  doses: readonly [Dose, ...Dose[]];
}

/** Every segment of a class in each variant that it is done in, in running order. */
export function variantsDone(resolved: ResolvedClass): VariantDone[] {
  const all = new Map<string, { turn: Turn; byRound: Map<number, Dose> }>();
  for (const turn of turns(resolved)) {
    const key = printVariant(turn);
    const known = all.get(key) ?? { turn, byRound: new Map() };
    all.set(key, known);
    // One side first comes twice to the same round.
    known.byRound.set(turn.round, turn.dose);
  }
  return [...all.values()].map(({ turn, byRound }) => {
    const [first = turn.dose, ...later] = byRound.values();
    return { turn, doses: [first, ...later] };
  });
}

/** Names a segment in a variant; unique within a class. */
export const printVariant = ({ segment, variant }: Pick<Turn, 'segment' | 'variant'>): string =>
  `${segment.id} ${variant ?? ''}`;
