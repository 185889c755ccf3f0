import { inVariant, type Kit, type Move } from '../move';
import { onFromTheStart, type Plan, placedSegments } from './plan';

/** Where a studio looks up moves: among its own, then in the library. */
export interface Moves {
  move: (id: string) => Move | undefined;
}

/** A class with every move that it names, each looked up once. */
export interface ResolvedClass {
  plan: Plan;
  /** By id; there is one for every segment. */
  moves: ReadonlyMap<string, Move>;
}

export class UnknownMoveError extends Error {
  constructor(
    readonly moveId: string,
    readonly segmentId: string,
  ) {
    super(`Segment "${segmentId}" names the move "${moveId}", which is not in the library.`);
  }
}

/**
 * Looks up the moves of a class: those that the class carries itself come first.
 * @throws UnknownMoveError for a segment whose move is nowhere
 */
export function resolve(plan: Plan, studio: Moves): ResolvedClass {
  const own = new Map(plan.moves?.map((m) => [m.id, m]));
  const moves = new Map<string, Move>();
  for (const { segment } of placedSegments(plan)) {
    const { id, move: moveId } = segment;
    if (moves.has(moveId)) continue;
    const move = own.get(moveId) ?? studio.move(moveId);
    if (!move) throw new UnknownMoveError(moveId, id);
    moves.set(moveId, move);
  }
  return { plan, moves };
}

/** The move of a segment of a resolved class, or of one that names the same moves. */
export function moveIn(
  moves: ReadonlyMap<string, Move>,
  segment: { id: string; move: string },
): Move {
  const move = moves.get(segment.move);
  if (!move) throw new UnknownMoveError(segment.move, segment.id);
  return move;
}

/** What has to be at hand for a class, in the order in which it is needed. */
export function kitOf({ plan, moves }: ResolvedClass): Kit[] {
  const onSkin = onFromTheStart(plan.rules);
  const used = placedSegments(plan).flatMap(({ segment: { move: id, variant, byRound = [] } }) => {
    const move = moves.get(id);
    const versions = [variant, ...byRound.map((round) => round.variant ?? variant)];
    return move ? versions.flatMap((version) => inVariant(move, version).props) : [];
  });
  return [...new Set<Kit>([...(onSkin ? [onSkin] : []), ...used])];
}
