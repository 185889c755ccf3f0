import { z } from 'zod';
import { type LogAnswer, logSchema, scoresSchema } from '@/core/calls';

/** A session's log as the page finds it. */
export interface LeadLog extends LogAnswer {
  id: string;
}

/** What a device keeps of a class, for a reload while the server is away. */
export const keptScoresSchema = z.object({ scores: scoresSchema, fromWallMs: z.number() });
/** The log as it was last heard, who led it then, and when that was, on the server's clock. */
export const keptLogSchema = logSchema;

export interface LeadSession {
  id: string;
  classId: string;
  className: string;
  startsAt: number;
  status: 'planned' | 'held' | 'cancelled';
  timeZone: string;
}
