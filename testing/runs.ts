import { LIBRARY_BOOK } from '@library';
import fc from 'fast-check';
import { type Plan, resolve, withEasier } from '@/core/class';
import type { NewRunEvent } from '@/core/run';
import { type Book, compile, type Score } from '@/core/score';
import { estimateSpeech, rememberingMeter } from '@/core/speech';
import { eventId } from './plans';

/** What tests of a run share: small classes with their easier version, and events at offsets. */

export const T0 = 1_790_000_000_000;

const meter = rememberingMeter(estimateSpeech);

export interface Scores {
  score: Score;
  easier: Score;
}

/** The easier version of a class, as a class that is led changes to it. */
export const easierOf = (plan: Plan, book: Book = LIBRARY_BOOK): Score =>
  compile(withEasier(resolve(plan, book)), book, { meter, forRun: 'easier' });

export const scoresOf = (plan: Plan, book: Book = LIBRARY_BOOK): Scores => ({
  score: compile(plan, book, { meter, forRun: 'planned' }),
  easier: easierOf(plan, book),
});

type Bend =
  | { type: NewRunEvent['type'] }
  | { type: 'extended' | 'restChanged'; ms: number }
  | { type: 'jumpedTo'; share: number };

/** Bends at waits after one another; a jump goes to any step of the plan, as on the ribbon. */
export const anyBends: fc.Arbitrary<{ wait: number; bend: Bend }[]> = fc.array(
  fc.record({
    wait: fc.oneof(fc.nat(2000), fc.nat(40_000)),
    bend: fc.oneof(
      {
        arbitrary: fc
          .constantFrom(
            'paused' as const,
            'resumed' as const,
            'again' as const,
            'next' as const,
            'roundAdded' as const,
            'skipped' as const,
            'eased' as const,
            'closing' as const,
          )
          .map((type): Bend => ({ type })),
        weight: 6,
      },
      {
        arbitrary: fc
          .integer({ min: 1, max: 30_000 })
          .map((ms): Bend => ({ type: 'extended', ms })),
        weight: 3,
      },
      fc.integer({ min: -20_000, max: 20_000 }).map((ms): Bend => ({ type: 'restChanged', ms })),
      fc
        .double({ min: 0, max: 0.999, noNaN: true })
        .map((share): Bend => ({ type: 'jumpedTo', share })),
    ),
  }),
  { maxLength: 25 },
);

/** A started run with its bends, as a log. */
export function eventsOf(
  bends: readonly { wait: number; bend: Bend }[],
  score: Score,
): NewRunEvent[] {
  let at = T0;
  const all = bends.map(({ wait, bend }, i) => {
    at += wait;
    const what =
      'share' in bend
        ? {
            type: 'jumped',
            stepId: score.steps[Math.floor(bend.share * score.steps.length)]?.id ?? 'none',
          }
        : bend;
    return { id: eventId(i + 1), at, ...what } as NewRunEvent;
  });
  return [{ id: eventId(0), at: T0, type: 'started' }, ...all];
}
