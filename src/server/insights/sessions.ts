import { z } from 'zod';
import { sessionStatusSchema } from '@/core/calendar';
import { epochMs, maybeEpochMs } from '../rows';

/** Most rows of an insight. */
export const MOST_ROWS = 40;

/** A session as insights look at it. */
export const sessionSchema = z.object({
  id: z.uuid(),
  class_name: z.string(),
  starts_at: epochMs,
  status: sessionStatusSchema,
  room_for: z.number().nullable(),
  came: z.number(),
  expected: z.number(),
  started_at: maybeEpochMs,
  finished_at: maybeEpochMs,
  score: z.unknown(),
  easier: z.unknown(),
  run_id: z.uuid().nullable(),
});

export type SessionRow = z.infer<typeof sessionSchema>;
