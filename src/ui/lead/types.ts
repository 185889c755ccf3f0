import { z } from 'zod';
import { markSchema } from '@/core/attendance';
import { carriedCautionSchema } from '@/core/move';
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
  cautions: z.array(carriedCautionSchema),
  notes: z.array(z.object({ moveId: z.string(), note: z.string(), at: z.number() })),
  met: z.array(z.string()),
});
export type RollEntry = z.infer<typeof rollEntrySchema>;
export const rollAnswerSchema = z.object({ roll: z.array(rollEntrySchema) });

/** A session's log as the page finds it. */
export interface LeadLog {
  id: string;
  events: RunEvent[];
  leader: string | null;
  /** The server's time when the page was made, epoch ms. */
  now: number;
}

/** The class as it is led: as planned, and with the easier versions. */
export interface LeadScores {
  score: Score;
  easier: Score | null;
}

/** Scores and events come from our own server, which made and checked them. */
const scoresSchema = z.custom<LeadScores>(
  (run) => typeof run === 'object' && run !== null && 'score' in run,
);
export const prepareAnswerSchema = z.object({
  run: scoresSchema,
  voice: z.boolean(),
  now: z.number(),
});
export const logAnswerSchema = z.object({
  events: z.array(z.custom<RunEvent>((e) => typeof e === 'object' && e !== null && 'seq' in e)),
  leader: z.string().nullable(),
  now: z.number(),
});

/** What a device keeps of a class, for a reload while the server is away. */
export const keptScoresSchema = z.object({ scores: scoresSchema, fromWallMs: z.number() });
/** The log as it was last heard, who led it then, and when that was, on the server's clock. */
export const keptLogSchema = logAnswerSchema;

export interface LeadSession {
  id: string;
  classId: string;
  className: string;
  startsAt: number;
  status: 'planned' | 'held' | 'cancelled';
  timeZone: string;
}
