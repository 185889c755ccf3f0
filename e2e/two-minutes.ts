import { emptyPlan, type Plan } from '@/core/class';

/** About two minutes, with most seconds counted aloud. */
export function twoMinutes(): Plan {
  const empty = emptyPlan('Two minutes', 120);
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
      work: [hold('1', 'tall-o-cheek-lift'), hold('2', 'folded-lip-press')],
    },
  };
}
