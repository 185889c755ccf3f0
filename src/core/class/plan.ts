import { z } from 'zod';
import { isNoText } from '../bounded';
import { MAIN_LANGUAGE } from '../language';
import {
  areaSchema,
  cueTextSchema,
  doseSchema,
  languageSchema,
  moveIdSchema,
  moveSchema,
  PROPS,
  PURPOSES,
  releaseSchema,
  sidesSchema,
  variantSchema,
} from '../move';
import { MOST_IN_PLAYLIST, musicIdSchema, USUAL_UNDER_DB } from '../music';
import { COUNTING } from './counting';
import { expansionOf, tooMuchOf } from './expansion';
import { BREATH_WORDS, SAY } from './speaking';
import { stagesSchema } from './stages';

export const PHASES = ['arrive', 'warmUp', 'work', 'massage', 'close'] as const;
export type PhaseName = (typeof PHASES)[number];
export const PHASE_NAMES: Record<PhaseName, string> = {
  arrive: 'Arrive',
  warmUp: 'Warm up',
  work: 'Work',
  massage: 'Massage',
  close: 'Close',
};

const idSchema = z
  .string({ error: 'must be an id' })
  .regex(/^[\w-]{1,64}$/, 'must be an id of letters, digits, "-" or "_", at most 64 of them');

const wait = (most: number) =>
  z
    .number({ error: 'must be a number of seconds' })
    .min(0, 'must not be negative; use 0 for none')
    .max(most, `must be at most ${most} seconds`);

/**
 * Which cue of a segment is meant: one by its kind, a sentence of the set-up or a form reminder by its
 * index as well, as in `form:2`.
 */
export const cueRefSchema = z
  .string({ error: 'must name a cue' })
  .regex(/^((setup|form):\d|announce|short|side|dose|letGo|release|count|breath)$/, {
    error: 'must be a cue such as "letGo" or "form:2"',
  });

const pinSchema = z.strictObject({
  cue: z.string().regex(/^(setup|form):\d$/, 'must be a set-up sentence or a form reminder'),
  atSeconds: wait(600),
});
export type Pin = z.infer<typeof pinSchema>;

/** A teacher's own words in place of the move's. What is missing is said as the library has it. */
export const segmentCuesSchema = z.strictObject({
  announce: cueTextSchema.optional(),
  setup: z.array(cueTextSchema).max(8).optional(),
  short: cueTextSchema.optional(),
  form: z.array(cueTextSchema).max(8).optional(),
  letGo: cueTextSchema.optional(),
  /** Cues that are not said. */
  muted: z.array(cueRefSchema).max(40).optional(),
  /** Cues that are said at a certain time of the work instead of where the score would put them. */
  pins: z.array(pinSchema).max(16).optional(),
});
export type SegmentCues = z.infer<typeof segmentCuesSchema>;

/** How a class or a segment is spoken. */
const spokenSchema = z.object({
  say: z.enum(SAY),
  counting: z.enum(COUNTING),
  countIn: z.boolean(),
  /** "Go" after the count-in. */
  go: z.boolean(),
  breathWords: z.enum(BREATH_WORDS),
  /** Later rounds go straight on: "and again". */
  straightOn: z.boolean(),
});

/** One line of a class: a move with its dose, sides, rounds, release, rest and cues. */
export const segmentSchema = z.strictObject({
  id: idSchema,
  move: moveIdSchema,
  dose: doseSchema,
  sides: sidesSchema,
  rounds: z
    .number({ error: 'must be a whole number of rounds' })
    .int('must be a whole number of rounds')
    .min(1, 'must be at least 1 round; remove the segment to leave it out')
    .max(10, 'must be at most 10 rounds'),
  releaseSeconds: wait(120),
  restSeconds: wait(300),
  /** How the round is let go; as the move suggests where it is not set. */
  release: releaseSchema.optional(),
  /** The version everybody does, unless a round says otherwise. */
  variant: variantSchema.optional(),
  /** What single rounds change, the first round first. */
  byRound: z
    .array(z.strictObject({ dose: doseSchema.optional(), variant: variantSchema.optional() }))
    .max(10)
    .optional(),
  cues: segmentCuesSchema.optional(),
  /** What changes while it is held, and when. */
  stages: stagesSchema.optional(),
  /** One side is done longer or shorter on purpose. */
  uneven: z
    .strictObject({
      side: z.enum(['left', 'right']),
      dose: doseSchema,
      /** Why, so that it is not taken for a slip. */
      reason: cueTextSchema,
    })
    .optional(),
  ...spokenSchema.partial().shape,
  /** Stays as it is when the class is fitted to its slot. */
  locked: z.boolean().optional(),
  /** May be left out when the class is fitted to its slot. */
  optional: z.boolean().optional(),
});
export type Segment = z.infer<typeof segmentSchema>;

/** How often loops may repeat a segment, taken together. */
const MOST_LOOPED = 20;
/** Most segments of one block, and most blocks of one phase; and what is said of more. */
const MOST_SEGMENTS = 20;
const MOST_BLOCKS = 60;
const TOO_MANY_SEGMENTS = `has more than ${MOST_SEGMENTS} segments; make two blocks of it`;
const TOO_MANY_BLOCKS = `has more than ${MOST_BLOCKS} blocks; put some into one, or make two classes of it`;
export const BLOCK_ORDERS = ['straight', 'circuit', 'alternating'] as const;

/**
 * Segments done together. Straight: A A B B. Circuit: each lap plays every segment once through its
 * rounds. Alternating: round one of each, then round two of each.
 */
export const blockSchema = z
  .strictObject({
    id: idSchema,
    order: z.enum(BLOCK_ORDERS),
    laps: z.number().int().min(1, 'must be at least 1 lap').max(10).default(1),
    /** The whole block on the left side of the face first, then all of it on the right. */
    oneSideFirst: z.boolean().optional(),
    /** Said before its first segment, in the language of the class. */
    opening: cueTextSchema.optional(),
    /** One flow: one announcement and one count-in for all its segments, none between them. */
    flow: z.boolean().optional(),
    /** Segments in a row that are done several times before the block goes on. */
    loops: z
      .array(
        z.strictObject({
          from: idSchema,
          to: idSchema,
          times: z.number().int().min(2, 'must be at least twice').max(10),
        }),
      )
      .max(10)
      .optional(),
    segments: z
      .array(segmentSchema)
      .min(1, 'must hold at least one segment')
      .max(MOST_SEGMENTS, TOO_MANY_SEGMENTS),
  })
  .refine((b) => b.order === 'circuit' || b.laps === 1, {
    error: 'only a circuit has laps',
    path: ['laps'],
  })
  .refine((b) => b.order === 'straight' || !b.loops?.length, {
    error: 'only straight sets have loops; a circuit has laps',
    path: ['loops'],
  })
  .refine((b) => (b.loops ?? []).reduce((all, l) => all * l.times, 1) <= MOST_LOOPED, {
    error: `must not repeat a segment more than ${MOST_LOOPED} times in all`,
    path: ['loops'],
  });
export type Block = z.infer<typeof blockSchema>;

export const EXPLAIN = ['first', 'throughout', 'names-only', 'new-in-room'] as const;
export type Explain = (typeof EXPLAIN)[number];

/** The order over the face (three schools, common practice). Massage and drain go downward in all of them. */
export const FACE_ORDERS = ['upward', 'downward', 'focus'] as const;
export type FaceOrder = (typeof FACE_ORDERS)[number];
/** What is on the skin, and from when (four schools, common practice). */
export const SKINS = ['dry', 'serum', 'oilToClose', 'oil'] as const;
export type Skin = (typeof SKINS)[number];
/** What may be on the skin from the start of a class. */
export const ON_FROM_THE_START = ['serum', 'oil'] as const satisfies readonly Skin[];
export type OnFromTheStart = (typeof ON_FROM_THE_START)[number];

/** The house rules of a class: how it explains, counts and speaks. */
export const rulesSchema = z.strictObject({
  explain: z.enum(EXPLAIN).default('first'),
  say: spokenSchema.shape.say.default('all'),
  counting: spokenSchema.shape.counting.default('last-five'),
  countIn: spokenSchema.shape.countIn.default(true),
  go: spokenSchema.shape.go.default(false),
  breathWords: spokenSchema.shape.breathWords.default('thinning'),
  straightOn: spokenSchema.shape.straightOn.default(false),
  /** Time to get into place after a full set-up; half of it after a short one. */
  settleSeconds: wait(30).default(3),
  /** Least length of a change of side, in seconds. */
  switchSeconds: wait(60).default(4),
  /** Time kept free at the beginning for the opening words. */
  openingSeconds: wait(1800).default(0),
  /** What the class begins with. */
  openingWords: cueTextSchema.optional(),
  /** Time kept free at the end for questions. */
  closingSeconds: wait(1800).default(0),
  /** What is said at its beginning, in place of "time for your questions". */
  closingWords: cueTextSchema.optional(),
  /** Speaking rate in words a minute; read-aloud speech is about 150 to 160 (from memory). */
  wordsPerMinute: z.number().int().min(80, 'must be at least 80').max(260).default(150),
  /** How every round is let go where its segment says nothing; as its move suggests where not set. */
  release: releaseSchema.optional(),
  order: z.enum(FACE_ORDERS).default('upward'),
  skin: z.enum(SKINS).default('oilToClose'),
});
export type Rules = z.infer<typeof rulesSchema>;

/** What is on the skin from the start, and so under every hand; null where nothing is. */
export const onFromTheStart = ({ skin }: Pick<Rules, 'skin'>): OnFromTheStart | null =>
  skin === 'serum' || skin === 'oil' ? skin : null;

/** What the class is for: every area of the face, a few of them, or a purpose. */
export const aimSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('whole') }),
  z.strictObject({
    kind: z.literal('focus'),
    areas: z.array(areaSchema).min(1, 'must name at least one area').max(6),
  }),
  z.strictObject({ kind: z.literal('purpose'), purpose: z.enum(PURPOSES) }),
]);
export type Aim = z.infer<typeof aimSchema>;

const phaseSchema = z.array(blockSchema).max(MOST_BLOCKS, TOO_MANY_BLOCKS);

const playlistSchema = z
  .array(musicIdSchema)
  .max(MOST_IN_PLAYLIST, `must hold at most ${MOST_IN_PLAYLIST} pieces`);

/** What is played under a class: a playlist for each phase, silence where there is none. */
export const classMusicSchema = z.strictObject({
  phases: z.partialRecord(z.enum(PHASES), playlistSchema),
  /** How far it is under the voice while somebody speaks, in LU. */
  underDb: z
    .number()
    .min(6, 'must be at least 6 under the voice')
    .max(40, 'must be at most 40 under the voice')
    .default(USUAL_UNDER_DB),
});
export type ClassMusic = z.infer<typeof classMusicSchema>;

/** Most letters of the name of a class. */
const MOST_NAME = 80;

/** So much of a text as fits the name of a class, no sign of it cut in two. */
export const nameFor = (text: string): string =>
  text
    .slice(0, MOST_NAME)
    .replace(/[\uD800-\uDBFF]$/, '')
    .trim();

/** A class: what a teacher assembles, exports and leads. Stored as it is, under a version. */
export const planSchema = z
  .strictObject({
    format: z.literal('upbeat-class/1', { error: 'must be "upbeat-class/1"' }),
    name: z
      .string({ error: 'must be text' })
      .trim()
      .min(1, 'must not be empty')
      .max(MOST_NAME)
      .refine((name) => !isNoText(name), 'holds signs that are none'),
    slotSeconds: z
      .number({ error: 'must be a number of seconds' })
      .int()
      .min(60, 'must be at least 60 seconds')
      .max(4 * 3600, 'must be at most 4 hours'),
    language: languageSchema.default(MAIN_LANGUAGE),
    /** A second language: every cue is said in it as well, or only shown. */
    second: z.strictObject({ language: languageSchema, how: z.enum(['speak', 'show']) }).optional(),
    aim: aimSchema.default({ kind: 'whole' }),
    /** What everybody has at hand. */
    kit: z.array(z.enum(PROPS)).max(PROPS.length).default(['mirror', 'oil']),
    rules: rulesSchema.prefault({}),
    music: classMusicSchema.optional(),
    phases: z.strictObject({
      arrive: phaseSchema.default([]),
      warmUp: phaseSchema.default([]),
      work: phaseSchema.default([]),
      massage: phaseSchema.default([]),
      close: phaseSchema.default([]),
    }),
    /** Moves the file brings along, so that it stands alone. */
    moves: z.array(moveSchema).max(200).optional(),
  })
  .superRefine((plan, context) => {
    const tooMuch = tooMuchOf(expansionOf(blocksOf(plan)));
    if (tooMuch) context.addIssue({ code: 'custom', path: ['phases'], message: tooMuch });
    const seen = new Map<string, string>();
    const blocks = new Map<string, string>();
    for (const phase of PHASES) {
      plan.phases[phase].forEach((block, b) => {
        const same = blocks.get(block.id);
        if (same) {
          context.addIssue({
            code: 'custom',
            path: ['phases', phase, b, 'id'],
            message: `"${block.id}" is already the id of ${same}; every block needs its own`,
          });
        } else blocks.set(block.id, `phases.${phase}.${b}`);
        block.segments.forEach((segment, s) => {
          const path = ['phases', phase, b, 'segments', s, 'id'];
          const first = seen.get(segment.id);
          if (first) {
            context.addIssue({
              code: 'custom',
              path,
              message: `"${segment.id}" is already the id of ${first}; every segment needs its own`,
            });
          } else seen.set(segment.id, path.slice(0, -1).join('.'));
        });
      });
    }
  });
export type Plan = z.infer<typeof planSchema>;

/** What there is too much of in a class, as a sentence; null where nothing is. It is quickly looked at. */
export function overfull(plan: Plan): string | null {
  const phase = PHASES.find((p) => plan.phases[p].length > MOST_BLOCKS);
  if (phase) return `${PHASE_NAMES[phase]} ${TOO_MANY_BLOCKS}.`;
  const blocks = [...blocksOf(plan)];
  if (blocks.some((b) => b.segments.length > MOST_SEGMENTS)) return `A block ${TOO_MANY_SEGMENTS}.`;
  const tooMuch = tooMuchOf(expansionOf(blocks));
  return tooMuch && `This class ${tooMuch}.`;
}

/** A fresh, empty class. */
export function emptyPlan(name: string, slotSeconds: number): Plan {
  return planSchema.parse({ format: 'upbeat-class/1', name, slotSeconds, phases: {} });
}

export interface Placed {
  phase: PhaseName;
  block: Block;
  segment: Segment;
}

/** Every block of a class in running order. */
export const blocksOf = (plan: Pick<Plan, 'phases'>): Block[] =>
  PHASES.flatMap((phase) => plan.phases[phase]);

/** Every segment of a class in running order, with where it stands. */
export function placedSegments(plan: Plan): Placed[] {
  return PHASES.flatMap((phase) =>
    plan.phases[phase].flatMap((block) =>
      block.segments.map((segment) => ({ phase, block, segment })),
    ),
  );
}
