import { LIBRARY, LIBRARY_BOOK } from '@library';
import fc from 'fast-check';
import {
  type Block,
  BREATH_WORDS,
  COUNTING,
  expansionOf,
  PHASES,
  type PhaseName,
  type Plan,
  planSchema,
  SAY,
  type Segment,
  tooMuchOf,
} from '@/core/class';
import { BLOCK_ORDERS, EXPLAIN } from '@/core/class/plan';
import { LANGUAGES } from '@/core/language';
import { type Dose, RELEASES, SIDES, VARIANTS } from '@/core/move';
import { compile } from '@/core/score';
import { estimateSpeech, rememberingMeter } from '@/core/speech';

/** Generators of valid classes, for property tests. */

const seconds = (least: number, most: number) =>
  fc.integer({ min: least * 2, max: most * 2 }).map((half) => half / 2);
const tempo = fc.integer({ min: 20, max: 150 });

export const anyDose: fc.Arbitrary<Dose> = fc.oneof(
  fc.record({ kind: fc.constant('hold' as const), seconds: seconds(1, 60) }),
  fc.record({
    kind: fc.constant('counts' as const),
    counts: fc.integer({ min: 1, max: 40 }),
    tempo,
  }),
  fc.record({ kind: fc.constant('taps' as const), taps: fc.integer({ min: 1, max: 60 }), tempo }),
  fc.record({
    kind: fc.constant('breaths' as const),
    breaths: fc.integer({ min: 1, max: 8 }),
    pattern: fc.record({
      in: seconds(1, 6),
      hold: seconds(0, 3),
      out: seconds(1, 8),
      pause: seconds(0, 2),
    }),
  }),
  fc.record({
    kind: fc.constant('reps' as const),
    reps: fc.integer({ min: 1, max: 30 }),
    secondsEach: seconds(0.5, 8),
  }),
  fc.record({
    kind: fc.constant('passes' as const),
    passes: fc.integer({ min: 1, max: 10 }),
    secondsEach: seconds(1, 20),
  }),
  seconds(5, 40).map((s) => ({
    kind: 'open' as const,
    seconds: s,
    floorSeconds: s / 2,
    ceilingSeconds: s * 2,
  })),
);

const anyCues = fc.record({
  muted: fc.subarray([
    'announce',
    'setup:0',
    'short',
    'side',
    'form:1',
    'letGo',
    'count',
    'breath',
  ]),
  pins: fc.array(
    fc.record({
      cue: fc.constantFrom('setup:0', 'setup:1', 'form:0', 'form:2', 'form:7'),
      atSeconds: seconds(0, 90),
    }),
    { maxLength: 3 },
  ),
});

const anyStage = fc.record({
  words: fc.constantFrom('Lift.', 'Draw it a little further apart.'),
  length: fc.oneof(
    fc.record({ share: fc.integer({ min: 1, max: 4 }) }),
    fc.record({ seconds: fc.integer({ min: 1, max: 20 }) }),
    fc.record({ counts: fc.integer({ min: 1, max: 10 }) }),
  ),
});

/** How large a generated class may be. */
interface Size {
  /** Most phases in which there is something; where none is said, any may have nothing. */
  phases?: number;
  /** Most blocks of the work, and of each other phase. */
  work: number;
  other: number;
  /** Most segments of a block. */
  segments: number;
  rounds: number;
  laps: number;
}
const ANY: Size = { work: 3, other: 2, segments: 3, rounds: 4, laps: 3 };
const SMALL: Size = { work: 2, other: 1, segments: 2, rounds: 2, laps: 2 };
/** For classes of a few steps: nearly all that are larger would be made in vain. */
const TINY: Size = { phases: 2, work: 1, other: 1, segments: 1, rounds: 2, laps: 1 };

const segment = (id: string, { rounds }: Size): fc.Arbitrary<Segment> =>
  fc.record({
    id: fc.constant(id),
    move: fc.constantFrom(...LIBRARY.map((m) => m.id)),
    dose: anyDose,
    sides: fc.constantFrom(...SIDES),
    rounds: fc.integer({ min: 1, max: rounds }),
    releaseSeconds: seconds(0, 15),
    restSeconds: seconds(0, 15),
    release: fc.option(fc.constantFrom(...RELEASES), { nil: undefined }),
    variant: fc.option(fc.constantFrom(...VARIANTS), { nil: undefined }),
    byRound: fc.option(
      fc.array(
        fc.record({
          dose: fc.option(anyDose, { nil: undefined }),
          variant: fc.option(fc.constantFrom(...VARIANTS), { nil: undefined }),
        }),
        { maxLength: 3 },
      ),
      { nil: undefined },
    ),
    cues: fc.option(anyCues, { nil: undefined }),
    stages: fc.option(fc.array(anyStage, { minLength: 1, maxLength: 4 }), { nil: undefined }),
    say: fc.option(fc.constantFrom(...SAY), { nil: undefined, freq: 4 }),
    go: fc.option(fc.boolean(), { nil: undefined, freq: 4 }),
    straightOn: fc.option(fc.boolean(), { nil: undefined, freq: 4 }),
    breathWords: fc.option(fc.constantFrom(...BREATH_WORDS), { nil: undefined, freq: 4 }),
  });

const block = (id: string, size: Size): fc.Arbitrary<Block> =>
  fc
    .record({
      order: fc.constantFrom(...BLOCK_ORDERS),
      laps: fc.integer({ min: 1, max: size.laps }),
      count: fc.integer({ min: 1, max: size.segments }),
      oneSideFirst: fc.boolean(),
      flow: fc.option(fc.boolean(), { nil: undefined }),
      opening: fc.option(fc.constant('And now the next part.'), { nil: undefined }),
      times: fc.integer({ min: 1, max: 2 }),
    })
    .chain(({ order, laps, count, times, ...spoken }) =>
      fc
        .tuple(...Array.from({ length: count }, (_, i) => segment(`${id}s${i}`, size)))
        .map((segments) => ({
          id,
          order,
          laps: order === 'circuit' ? laps : 1,
          ...spoken,
          ...(order === 'straight' &&
            times > 1 && {
              loops: [{ from: `${id}s0`, to: `${id}s${Math.min(1, count - 1)}`, times }],
            }),
          segments,
        })),
    );

const phase = (name: PhaseName, size: Size) =>
  fc
    .integer({
      min: size.phases === undefined ? 0 : 1,
      max: name === 'work' ? size.work : size.other,
    })
    .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => block(`${name}${i}`, size))));

/** Which phases there is something in; rarely none, since a class of nothing is never too long. */
const filled = ({ phases: most }: Size): fc.Arbitrary<PhaseName[]> =>
  most === undefined
    ? fc.constant([...PHASES])
    : fc.oneof(
        { weight: 40, arbitrary: fc.subarray([...PHASES], { minLength: 1, maxLength: most }) },
        { weight: 1, arbitrary: fc.constant<PhaseName[]>([]) },
      );

const phases = (size: Size): fc.Arbitrary<Plan['phases']> =>
  filled(size).chain((some) =>
    fc.record(
      Object.fromEntries(
        PHASES.map((p) => [p, some.includes(p) ? phase(p, size) : fc.constant([])]),
      ) as Record<PhaseName, fc.Arbitrary<Block[]>>,
    ),
  );

const planOfSize = (size: Size): fc.Arbitrary<Plan> =>
  fc
    .record({
      rules: fc.record({
        explain: fc.constantFrom(...EXPLAIN),
        counting: fc.constantFrom(...COUNTING),
        countIn: fc.boolean(),
        switchSeconds: fc.integer({ min: 0, max: 8 }),
        wordsPerMinute: fc.integer({ min: 80, max: 220 }),
        closingSeconds: fc.constantFrom(0, 1, 120),
        openingSeconds: fc.constantFrom(0, 1, 20),
        openingWords: fc.constantFrom(undefined, 'Welcome, sit tall.'),
        say: fc.constantFrom('all' as const, ...SAY),
      }),
      language: fc.constantFrom(...LANGUAGES),
      second: fc.option(
        fc.record({
          language: fc.constantFrom(...LANGUAGES),
          how: fc.constantFrom('speak' as const, 'show' as const),
        }),
        { nil: undefined },
      ),
      phases: phases(size),
    })
    // Once in some thousands the longest of all meet in one class.
    .filter(({ phases }) => tooMuchOf(expansionOf(Object.values(phases).flat())) === null)
    .map((made) =>
      planSchema.parse({
        format: 'upbeat-class/1',
        name: 'A generated class',
        slotSeconds: 1200,
        ...made,
      }),
    );

export const anyPlan: fc.Arbitrary<Plan> = planOfSize(ANY);

const meter = rememberingMeter(estimateSpeech);

/** A class of some, but fewer than so many steps. */
export const smallPlan = (steps: number): fc.Arbitrary<Plan> =>
  planOfSize(steps < 10 ? TINY : SMALL).filter((plan) => {
    const { length } = compile(plan, LIBRARY_BOOK, { meter }).steps;
    return length > 0 && length < steps;
  });

/** How many generated classes a property looks at. */
export const RUNS = Number(process.env.UPBEAT_PROPERTY_RUNS ?? 1000);
