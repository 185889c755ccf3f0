import { z } from 'zod';

/** How far the sound is that somebody asked for. */
export const soundProgressSchema = z.discriminatedUnion('state', [
  /** It waits for its turn; so many are made before it. */
  z.object({ state: z.literal('waiting'), before: z.int().nonnegative() }),
  /** How much of it is made, from 0 to 1. */
  z.object({ state: z.literal('making'), share: z.number().min(0).max(1) }),
  /** It was not asked for here, or is made. */
  z.object({ state: z.literal('none') }),
]);
export type SoundProgress = z.infer<typeof soundProgressSchema>;
