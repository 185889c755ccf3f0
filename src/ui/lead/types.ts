import { z } from 'zod';
import { markSchema } from '@/core/attendance';
import type { RunEvent } from '@/core/run';
import type { Score } from '@/core/score';

/** What Lead and the server say to each other. */

export const rollEntrySchema = z.object({
  participantId: z.uuid(),
  name: z.string(),
  booked: z.boolean(),
  timesBefore: z.number(),
  attendance: z
    .object({ mark: markSchema, arrivedAt: z.number().nullable(), leftAt: z.number().nullable() })
    .nullable(),
});
export type RollEntry = z.infer<typeof rollEntrySchema>;
export const rollAnswerSchema = z.object({ roll: z.array(rollEntrySchema) });

export interface LeadRun {
  id: string;
  sessionId: string;
  score: Score;
  events: RunEvent[];
}

/** Scores and events come from our own server, which made and checked them. */
export const prepareAnswerSchema = z.object({
  run: z.custom<LeadRun>((run) => typeof run === 'object' && run !== null && 'score' in run),
  voice: z.boolean(),
  now: z.number(),
});
export const eventsAnswerSchema = z.object({
  events: z.array(z.custom<RunEvent>((e) => typeof e === 'object' && e !== null && 'seq' in e)),
  now: z.number(),
});

export interface LeadSession {
  id: string;
  className: string;
  startsAt: number;
  status: 'planned' | 'held' | 'cancelled';
  timeZone: string;
}
