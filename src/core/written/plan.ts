import { classOf, type Plan } from '../class';
import { type Dose, doseSchema, type Move, traitsOf } from '../move';

/** A line of a written class, once it is known which move it means. */
export interface ChosenLine {
  move: string;
  seconds: number | null;
  rounds: number | null;
}

/** The dose of a move that lasts about so long; null where that cannot be. */
export function doseLasting({ dose: usual }: Pick<Move, 'dose'>, seconds: number): Dose | null {
  const dose = doseSchema.safeParse(traitsOf(usual).lasting(seconds, usual));
  return dose.success ? dose.data : null;
}

/**
 * A class of the lines, each in the phase its move belongs to, in their order there. What cannot last as long as it is
 * said to is done as usual.
 * @throws Error for a move that is not found
 */
export function planOfWritten(
  start: Plan,
  lines: readonly ChosenLine[],
  moves: { move: (id: string) => Move | undefined },
): Plan {
  return classOf(
    start,
    lines.map(({ move: id, seconds, rounds }) => {
      const move = moves.move(id);
      return {
        move: id,
        ...(move && seconds !== null && { dose: doseLasting(move, seconds) ?? move.dose }),
        ...(rounds !== null && { rounds }),
      };
    }),
    moves,
  );
}
