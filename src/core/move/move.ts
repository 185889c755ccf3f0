import { z } from 'zod';
import { areaSchema } from './areas';
import { doseSchema } from './dose';

export const KINDS = ['warmup', 'exercise', 'massage', 'point', 'stretch', 'breath'] as const;
export const kindSchema = z.enum(KINDS);
export type Kind = z.infer<typeof kindSchema>;
export const KIND_NAMES: Record<Kind, string> = {
  warmup: 'warm-up',
  exercise: 'exercise',
  massage: 'massage',
  point: 'pressure point',
  stretch: 'stretch',
  breath: 'breath',
};

/** How the two halves of the face share the work. */
export const SIDES = ['together', 'each', 'directions', 'alternating'] as const;
export const sidesSchema = z.enum(SIDES);
export type Sides = z.infer<typeof sidesSchema>;
export const SIDES_NAMES: Record<Sides, string> = {
  together: 'both sides together',
  each: 'left, then right',
  directions: 'one way, then the other',
  alternating: 'left and right in turn',
};

export const LANGUAGES = ['en', 'de'] as const;
export const languageSchema = z.enum(LANGUAGES);
export type Language = z.infer<typeof languageSchema>;

const hasControlCharacter = (text: string) =>
  [...text].some((c) => (c.codePointAt(0) ?? 0) < 32 || c.codePointAt(0) === 127);

/** A sentence to be spoken or shown. */
export const cueTextSchema = z
  .string({ error: 'must be text' })
  .trim()
  .min(1, 'must not be empty')
  .max(240, 'must be at most 240 characters; split it into two cues')
  .refine((t) => !hasControlCharacter(t), 'must not hold control characters or line breaks');

/** What is said of a move in one language. */
export const moveTextSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  /** The full explanation, a sentence or two to each cue, said before the first round. */
  setup: z.array(cueTextSchema).min(1).max(8),
  /** The reminder said before later rounds. */
  short: cueTextSchema,
  form: z.array(cueTextSchema).min(3).max(8),
  letGo: cueTextSchema,
});
export type MoveText = z.infer<typeof moveTextSchema>;

export const moveIdSchema = z
  .string({ error: 'must be the id of a move' })
  .regex(/^[a-z0-9][a-z0-9-]{1,63}$/, 'must be a move id such as "tall-o-cheek-lift"');

/** An entry of the library: one warm-up, exercise, massage, pressure point, stretch or breath. */
export const moveSchema = z.strictObject({
  id: moveIdSchema,
  kind: kindSchema,
  /** The share of the work each area takes; weights are relative to one another. */
  areas: z.partialRecord(areaSchema, z.number().positive().max(1)),
  dose: doseSchema,
  sides: sidesSchema,
  rounds: z.number().int().min(1).max(10),
  releaseSeconds: z.number().min(0).max(60),
  hands: z.enum(['free', 'light', 'firm']),
  surface: z.enum(['dry', 'glide', 'either']),
  head: z.enum(['level', 'back', 'down', 'turned', 'leaning']),
  /** One line on who should leave it out or go easier; never a diagnosis. */
  caution: z.string().trim().min(1).max(200).optional(),
  text: z.partialRecord(languageSchema, moveTextSchema).refine((t) => t.en !== undefined, {
    error: 'needs its English text',
  }),
});
export type Move = z.infer<typeof moveSchema>;

/** The text of a move in a language, or in English where that language is not written yet. */
export function moveText(move: Move, language: Language): MoveText {
  const text = move.text[language] ?? move.text.en;
  if (!text) throw new Error(`move ${move.id} has no English text`);
  return text;
}
