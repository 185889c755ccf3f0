import { z } from 'zod';
import { dateSchema, instantsOf } from '../calendar';
import { dateOn } from '../formats';

/** What is typed to log practice at home. */
/** Longest that practice may be said to have been, in seconds: what three digits of minutes hold. */
export const MOST_PRACTISED_S = 999 * 60;

export const practiceSchema = z.object({
  day: dateSchema,
  /** Whole minutes, or null where nothing was said. */
  minutes: z
    .string()
    .trim()
    .regex(/^\d{0,3}$/, 'Write whole minutes, or nothing.')
    .transform((typed) => (Number(typed) > 0 ? Number(typed) : null)),
});

/** When practice of a day was: now for today, else noon. @param now epoch ms */
export function practisedAt(day: string, { zone, now }: { zone: string; now: number }): number {
  const [noon] = instantsOf(`${day}T12:00`, zone);
  return day === dateOn(now, zone) ? now : (noon ?? now);
}
