import { emptyPlan, type Plan } from '@/core/class';

/** Classes with most seconds counted aloud. */

/** About two minutes. */
export const twoMinutes = (): Plan =>
  counted('Two minutes', ['tall-o-cheek-lift', 'folded-lip-press']);

/** Less than a minute. */
export const shortClass = (): Plan => counted('Short', ['folded-lip-press']);

function counted(name: string, moves: readonly string[]): Plan {
  const empty = emptyPlan(name, 120);
  const hold = (id: string, move: string) => ({
    id,
    order: 'straight' as const,
    laps: 1,
    segments: [
      {
        id: `s${id}`,
        move,
        dose: { kind: 'hold' as const, seconds: 20 },
        sides: 'together' as const,
        rounds: 1,
        releaseSeconds: 8,
        restSeconds: 0,
      },
    ],
  });
  return {
    ...empty,
    rules: { ...empty.rules, counting: 'down' },
    phases: {
      ...empty.phases,
      work: moves.map((move, i) => hold(String(i + 1), move)),
    },
  };
}
