import { z } from 'zod';

const base = {
  /** Made by the device that sends it, so that sending twice stores once. */
  id: z.uuid(),
  /** Epoch ms on the server's clock. */
  at: z.number().int().nonnegative(),
};

/** Longest single extension, in ms. */
export const MAX_EXTENSION_MS = 10 * 60_000;

export const runEventDraftSchema = z.discriminatedUnion('type', [
  z.strictObject({ ...base, type: z.literal('started') }),
  z.strictObject({ ...base, type: z.literal('paused') }),
  z.strictObject({ ...base, type: z.literal('resumed') }),
  z.strictObject({
    ...base,
    type: z.literal('extended'),
    ms: z.number().int().positive().max(MAX_EXTENSION_MS),
  }),
  z.strictObject({ ...base, type: z.literal('roundAdded') }),
  z.strictObject({ ...base, type: z.literal('again') }),
  z.strictObject({ ...base, type: z.literal('next') }),
  z.strictObject({ ...base, type: z.literal('jumped'), stepId: z.string().min(1).max(200) }),
  z.strictObject({ ...base, type: z.literal('finished') }),
]);

/** What happened while a session was led, before the server has given it its place. */
export type RunEventDraft = z.infer<typeof runEventDraftSchema>;
export type RunEventType = RunEventDraft['type'];
/** An event in the log: `seq` counts from 1 without gaps. */
export type RunEvent = RunEventDraft & { seq: number };
