import { z } from 'zod';
import { MOST_IN_SERIES, WEEKDAYS } from './week';

const isDate = (text: string): boolean => {
  const at = Date.parse(`${text}T00:00Z`);
  return !Number.isNaN(at) && new Date(at).toISOString().startsWith(text);
};

/** ISO 8601 date of a day that there is, from 2000 to 2199. */
export const dateSchema = z
  .string()
  .regex(/^2[01]\d\d-\d\d-\d\d$/, 'Choose a day.')
  .refine(isDate, 'There is no such day.');
export const timeOfDaySchema = z
  .string()
  .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'Write a time such as 18:30.');

const count = `Write how many times, from 1 to ${MOST_IN_SERIES}.`;
const everySchema = z.number().int().min(1).max(12);

export const endSchema = z.discriminatedUnion('by', [
  z.strictObject({
    by: z.literal('number'),
    count: z.number({ error: count }).int(count).min(1, count).max(MOST_IN_SERIES, count),
  }),
  z.strictObject({ by: z.literal('day'), last: dateSchema }),
]);

/** How sessions repeat. Every one ends, by a number or by a day. */
export const ruleSchema = z.discriminatedUnion('repeats', [
  z.strictObject({ repeats: z.literal('daily'), every: everySchema, end: endSchema }),
  z.strictObject({
    repeats: z.literal('weekly'),
    every: everySchema,
    /** On the weekday of the first session where none is named. */
    days: z.array(z.enum(WEEKDAYS)).max(7),
    end: endSchema,
  }),
  /** On the same weekday of the month as the first session, as in "the second Tuesday". */
  z.strictObject({
    repeats: z.literal('monthly'),
    every: everySchema,
    end: endSchema,
  }),
]);
export type Rule = z.infer<typeof ruleSchema>;

/** What has become of a meeting: it is to come, was held, or was called off. */
export const SESSION_STATUSES = ['planned', 'held', 'cancelled'] as const;
export const sessionStatusSchema = z.enum(SESSION_STATUSES);
export type SessionStatus = z.infer<typeof sessionStatusSchema>;
