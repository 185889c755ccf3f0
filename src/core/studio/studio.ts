import { z } from 'zod';
import { type Plan, planSchema } from '../class';

/** What a studio and its teachers are, and what may be typed of them. */

export const ROLES = ['owner', 'teacher'] as const;
export type Role = (typeof ROLES)[number];
export const roleSchema = z.enum(ROLES);

/** Whether a name is that of a time zone which this machine knows, as in "Europe/Dublin". */
export function isTimeZone(name: string): boolean {
  // Offsets such as "+02:00" are understood as well, but know nothing of summer time.
  if (!/^[A-Za-z]/.test(name)) return false;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const line = (most: number, empty: string) =>
  z.string().trim().min(1, empty).max(most, `Use at most ${most} characters.`);

export const studioNameSchema = line(80, 'Give the studio a name.');
export const personNameSchema = line(80, 'Write a name.');
export const timeZoneSchema = line(60, 'Choose a time zone.').refine(
  isTimeZone,
  'There is no such time zone. Choose one from the list, such as Europe/Dublin.',
);
export const emailSchema = z
  .string()
  .trim()
  .toLowerCase()
  .max(200, 'Use at most 200 characters.')
  .pipe(z.email('Write an email address, such as name@example.org.'));
/** Long enough that nobody guesses it; common guidance asks for length, not for signs. */
export const passwordSchema = z
  .string()
  .min(10, 'Use at least 10 characters; a short sentence is easy to keep.')
  .max(200, 'Use at most 200 characters.');

/** What new classes of a studio begin with. */
export const newClassSchema = z.strictObject({
  language: planSchema.shape.language,
  second: planSchema.shape.second,
  aim: planSchema.shape.aim,
  kit: planSchema.shape.kit,
  rules: planSchema.shape.rules,
});
export type NewClass = z.infer<typeof newClassSchema>;

/** What a class has of what new classes begin with. */
export const newClassOf = ({ language, second, aim, kit, rules }: Plan): NewClass => ({
  language,
  aim,
  kit,
  rules,
  ...(second && { second }),
});

/** For how long something is kept, in months; null for as long as the studio exists. */
const monthsSchema = z
  .number({ error: 'Write a whole number of months, or nothing to keep them.' })
  .int('Write a whole number of months, or nothing to keep them.')
  .min(1, 'Keep them for at least one month.')
  .max(120, 'Write at most 120 months, or nothing to keep them.')
  .nullable();

export const retentionSchema = z.strictObject({
  /** What happened while classes were led, second by second; registers and streaks stay. */
  runsMonths: monthsSchema,
  recordingsMonths: monthsSchema,
});
export type Retention = z.infer<typeof retentionSchema>;
