import { emptyPlan, type Plan } from '@/core/class';

/** Classes with most seconds counted aloud. */

/** About two minutes. */
export const twoMinutes = (): Plan =>
  counted('Two minutes', ['tall-o-cheek-lift', 'folded-lip-press']);

/** Less than a minute. */
export const shortClass = (): Plan => counted('Short', ['folded-lip-press']);

/** Some seconds, in which nothing is said but counts. */
export function verySmall(name: string): Plan {
  const plan = shortClass();
  const work = plan.phases.work.map((block) => ({
    ...block,
    segments: block.segments.map((segment) => ({
      ...segment,
      dose: { kind: 'hold' as const, seconds: 4 },
      releaseSeconds: 0,
    })),
  }));
  return {
    ...plan,
    name,
    rules: { ...plan.rules, say: 'counts' },
    phases: { ...plan.phases, work },
  };
}

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
