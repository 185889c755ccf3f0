import { z } from 'zod';
import { attendanceSchema } from '../attendance';
import { planSchema } from '../class';
import { carriedCautionSchema, languageSchema } from '../move';
import { runEventSchema } from '../run';
import { scoreSchema } from '../score';

/** What the server answers with, where several calls do. */

/** A stored class, and which of its versions it is. */
export const storedPlanSchema = z.object({ plan: planSchema, version: z.number() });
export type StoredPlan = z.infer<typeof storedPlanSchema>;

export const classVersionSchema = z.object({
  version: z.number(),
  plan: planSchema,
  /** Epoch ms. */
  savedAt: z.number(),
  /** Name of the teacher, empty for the state the class began in. */
  savedBy: z.string(),
});
export type ClassVersion = z.infer<typeof classVersionSchema>;

/** Somebody on the roll of a session: booked, waiting for room, or walked in. */
export const rollEntrySchema = z.object({
  participantId: z.uuid(),
  name: z.string(),
  booked: z.boolean(),
  /** Booked too, but there was no room left; nobody has to mark them. */
  waiting: z.boolean(),
  /** They said that they cannot come. */
  away: z.boolean(),
  /** Held sessions they came to before this one. */
  timesBefore: z.number(),
  attendance: attendanceSchema.nullable(),
  cautions: z.array(carriedCautionSchema),
  /** What was noted of their form in earlier sessions, the newest first. */
  notes: z.array(
    z.object({
      moveId: z.string(),
      note: z.string(),
      /** Epoch ms. */
      at: z.number(),
    }),
  ),
  /** Ids of the moves they have met. */
  met: z.array(z.string()),
});
export type RollEntry = z.infer<typeof rollEntrySchema>;
/** Something to watch in how a person does a move. */
export type FormNote = RollEntry['notes'][number];

/** What happened in a session, who leads it, and the server's time as it said so. */
export const logSchema = z.object({
  events: z.array(runEventSchema),
  /** The device that leads; null until one does. */
  leader: z.string().nullable(),
  /** Epoch ms on the server's clock. */
  now: z.number(),
});
export type LogAnswer = z.infer<typeof logSchema>;

/** The class as it is led: as planned, and with the easier version of every move that has one. */
export const scoresSchema = z.object({ score: scoreSchema, easier: scoreSchema.nullable() });
export type Scores = z.infer<typeof scoresSchema>;

/** A cue in a teacher's own voice. */
export const recordingSchema = z.object({
  id: z.uuid(),
  language: languageSchema,
  text: z.string(),
  ms: z.number(),
  /** Epoch ms. */
  recordedAt: z.number(),
});
export type Recording = z.infer<typeof recordingSchema>;
