import { z } from 'zod';
import type { SessionStatus } from '@/core/calendar';
import { type LogAnswer, logSchema, scoresSchema } from '@/core/calls';

/** A session's log as the page finds it. */
export interface LeadLog extends LogAnswer {
  id: string;
}

/** What a device keeps of a class, for a reload while the server is away. */
export const keptScoresSchema = z.object({ scores: scoresSchema, fromWallMs: z.number() });
/** The log as it was last heard, who led it then, and when that was, on the server's clock. */
export const keptLogSchema = logSchema;

/** A session as it stands on the calendar, where others change it too. */
export interface SessionNow {
  className: string;
  /** Epoch ms. */
  startsAt: number;
  status: SessionStatus;
}

export interface LeadSession extends SessionNow {
  id: string;
  classId: string;
  timeZone: string;
}
