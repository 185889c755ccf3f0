import { z } from 'zod';
import { isNoText } from '../bounded';
import { LANGUAGE_NAMES, LANGUAGES, MAIN_LANGUAGE } from '../language';
import { AREAS } from './areas';
import { doseSchema } from './dose';
import { looksSchema } from './looks';
import {
  areaSchema,
  kindSchema,
  muscleSchema,
  releaseSchema,
  sidesSchema,
  strokeSchema,
} from './named-schemas';
import { DEMANDS, HEADS, PRESSURES, PROPS, PURPOSES, SURFACES } from './traits';

export const languageSchema = z.enum(LANGUAGES);

const hasControlCharacter = (text: string) =>
  [...text].some((c) => (c.codePointAt(0) ?? 0) < 32 || c.codePointAt(0) === 127);

/** A sentence to be spoken or shown. */
export const cueTextSchema = z
  .string({ error: 'must be text' })
  .trim()
  .min(1, 'must not be empty')
  .max(240, 'must be at most 240 characters; split it into two cues')
  .refine(
    (t) => !hasControlCharacter(t) && !isNoText(t),
    'must not hold control characters or line breaks',
  );

const variantTextSchema = z.strictObject({
  /** What is different, for the teacher. */
  what: cueTextSchema,
  setup: z.array(cueTextSchema).min(1).max(8),
  short: cueTextSchema,
  /** Reminders and a let-go of its own, where those of the move are not true of it. */
  form: z.array(cueTextSchema).min(1, 'must have at least one reminder').max(8).optional(),
  letGo: cueTextSchema.optional(),
});
export type VariantText = z.infer<typeof variantTextSchema>;

/** What is said of a move in one language. */
export const moveTextSchema = z.strictObject({
  name: z.string().trim().min(1, 'must not be empty').max(80),
  /** The full explanation, a sentence or two to each cue, said before the first round. */
  setup: z.array(cueTextSchema).min(1, 'must have at least one sentence').max(8),
  /** The reminder said before later rounds. */
  short: cueTextSchema,
  form: z.array(cueTextSchema).min(3, 'must be at least three').max(8),
  letGo: cueTextSchema,
  easier: variantTextSchema.optional(),
  harder: variantTextSchema.optional(),
});
export type MoveText = z.infer<typeof moveTextSchema>;

export const moveIdSchema = z
  .string({ error: 'must be the id of a move' })
  .regex(/^[a-z0-9][a-z0-9-]{1,63}$/, 'must be a move id such as "tall-o-cheek-lift"');

const bodySchema = {
  hands: z.enum(['free', 'light', 'firm']),
  pressure: z.enum(PRESSURES),
  head: z.enum(HEADS),
  demands: z.array(z.enum(DEMANDS)),
};

/** Shortest and longest sensible work part, in seconds. */
const rangeSchema = z
  .tuple([z.number().positive(), z.number().positive()])
  .refine(([floor, ceiling]) => floor <= ceiling, { error: 'needs its floor below its ceiling' });
const touchSchema = z.array(areaSchema).max(AREAS.length);
const propsSchema = z.array(z.enum(PROPS));
const strokesSchema = z.array(strokeSchema).max(6);

/** What a version changes of the move's own; what it does not name must be true of it as it stands. */
const variantShapeSchema = z.strictObject({
  hands: bodySchema.hands.optional(),
  pressure: bodySchema.pressure.optional(),
  head: bodySchema.head.optional(),
  demands: bodySchema.demands.optional(),
  /** Done for as long as the segment asks, but counted and paced like this. */
  dose: doseSchema.optional(),
  range: rangeSchema.optional(),
  sides: sidesSchema.optional(),
  release: releaseSchema.optional(),
  touch: touchSchema.optional(),
  strokes: strokesSchema.optional(),
  surface: z.enum(SURFACES).optional(),
  props: propsSchema.optional(),
});

/** An entry of the library: one warm-up, exercise, massage, pressure point, stretch or breath. */
export const moveSchema = z.strictObject({
  id: moveIdSchema,
  kind: kindSchema,
  /** The share of the work each area takes; weights are relative to one another. */
  areas: z
    .partialRecord(areaSchema, z.number().positive().max(1))
    .refine((areas) => Object.keys(areas).length > 0, { error: 'must have at least one area' }),
  muscles: z.array(muscleSchema).default([]),
  dose: doseSchema,
  range: rangeSchema.optional(),
  sides: sidesSchema,
  rounds: z.number().int().min(1).max(10),
  release: releaseSchema.default('tap'),
  releaseSeconds: z.number().min(0).max(60),
  ...bodySchema,
  pressure: bodySchema.pressure.default('none'),
  demands: bodySchema.demands.default([]),
  surface: z.enum(SURFACES),
  props: propsSchema.default([]),
  purposes: z.array(z.enum(PURPOSES)).default([]),
  /** Belongs to the end of a class, and never to its beginning. */
  closes: z.literal(true).optional(),
  /** Never counted aloud, such as a word that is said together. */
  uncounted: z.literal(true).optional(),
  strokes: strokesSchema.default([]),
  /** What it looks like; worked out where nothing is said. */
  looks: looksSchema.optional(),
  /** Where the hands lie, where that is not where the move works. */
  touch: touchSchema.optional(),
  /** How often a week it may be done at most. */
  weeklyCap: z.number().int().min(1).max(7).optional(),
  variants: z
    .strictObject({ easier: variantShapeSchema.optional(), harder: variantShapeSchema.optional() })
    .default({}),
  text: z
    .partialRecord(languageSchema, moveTextSchema)
    .refine((t) => t[MAIN_LANGUAGE] !== undefined, {
      error: `needs its ${LANGUAGE_NAMES[MAIN_LANGUAGE]} text`,
    }),
});
export type Move = z.infer<typeof moveSchema>;
