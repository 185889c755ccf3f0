import { z } from 'zod';
import { classMusicSchema, ON_FROM_THE_START, PHASES, SAY } from '../class';
import { breathPatternSchema, languageSchema, releaseSchema, variantSchema } from '../move';
import { deviceVoicesSchema } from '../speech';
import { CUE_KINDS, EVEN, MORE, type Score, SIDES_OF_STEPS, STEP_KINDS } from './score';

/** Reads scores that come from elsewhere: from the server, or from what a browser kept. */

const ms = z.number().nonnegative();

const stepSchema = z.object({
  id: z.string(),
  kind: z.enum(STEP_KINDS),
  phase: z.enum(PHASES),
  blockId: z.string(),
  segmentId: z.string(),
  moveId: z.string(),
  round: z.number(),
  rounds: z.number(),
  side: z.enum(SIDES_OF_STEPS),
  startMs: ms,
  durationMs: ms,
  variant: variantSchema.optional(),
  release: releaseSchema.optional(),
  // The breath of a release is worked out, and may be longer or shorter than a teacher may choose.
  breath: z
    .object(breathPatternSchema.shape)
    .extend({ in: ms, hold: ms, out: ms, pause: ms })
    .optional(),
  leastMs: ms.optional(),
  unitMs: ms.optional(),
  countsOn: z.string().optional(),
  optional: z.literal(true).optional(),
  locked: z.literal(true).optional(),
  keep: z.literal(true).optional(),
  explains: z.literal(true).optional(),
  beatMs: ms.optional(),
  repMs: ms.optional(),
  stages: z.array(z.object({ words: z.string(), startMs: ms, durationMs: ms })).optional(),
  breathTones: z.literal(true).optional(),
  uneven: z.literal(true).optional(),
});

export const cueSchema = z.object({
  id: z.string(),
  step: z.number(),
  kind: z.enum(CUE_KINDS),
  text: z.string(),
  language: languageSchema,
  also: z.string().optional(),
  ref: z.string().optional(),
  offsetMs: z.number(),
  startMs: z.number(),
  durationMs: ms,
  fromEnd: z.boolean(),
});

export const scoreSchema = z.object({
  name: z.string(),
  language: languageSchema,
  onSkin: z.enum(ON_FROM_THE_START).optional(),
  slotMs: ms,
  totalMs: ms,
  wordsPerMinute: z.number(),
  speech: z.enum(['estimated', 'measured', 'mixed']),
  talkingFactor: z.number(),
  words: z.object({ say: z.enum(SAY), self: z.boolean() }).optional(),
  deviceVoices: deviceVoicesSchema.optional(),
  recorded: z.array(z.string()).optional(),
  totals: z.object({
    upbeatMs: ms,
    workMs: ms,
    switchMs: ms,
    releaseMs: ms,
    restMs: ms,
    talkMs: ms,
  }),
  steps: z.array(stepSchema),
  cues: z.array(cueSchema),
  leftOut: z.array(
    z.object({
      segmentId: z.string(),
      round: z.number(),
      kind: z.enum(CUE_KINDS),
      text: z.string(),
      ref: z.string().optional(),
      reason: z.string(),
    }),
  ),
  spares: z
    .array(
      z.object({
        name: z
          .enum([...MORE, ...EVEN])
          .or(
            z.templateLiteral([z.enum(['easier ', 'beyond ', 'full ', 'not last ']), z.string()]),
          ),
        durationMs: ms,
        cues: z.array(cueSchema),
      }),
    )
    .optional(),
  music: classMusicSchema.optional(),
}) satisfies z.ZodType<Score>;
