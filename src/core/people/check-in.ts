import { z } from 'zod';
import { daysBetween } from '../calendar';

/**
 * Weeks after which somebody says how it feels. A published programme of facial exercise looked after 8 and 20
 * weeks (M. Alam and others, "Association of Facial Exercise With the Appearance of Aging", JAMA Dermatology
 * 154, 2018, named from memory); two weeks is common practice. Never after one class.
 */
export const CHECK_IN_WEEKS = [0, 2, 8, 20] as const;
export type CheckInWeek = (typeof CHECK_IN_WEEKS)[number];

/** Days for which a check-in can be given. */
const OPEN_DAYS = 7;

/** The ends of a scale are 0 and this. */
export const MOST_FELT = 10;

// What was not answered is no number: nobody said it.
const scale = z
  .string('Choose a number from 0 to 10.')
  .regex(/^(\d|10)$/, 'Choose a number from 0 to 10.')
  .transform(Number);

/** How it feels: each from 0 to 10. No picture, and no score of looks. */
export const checkInSchema = z.object({
  /** How easily the jaw moves: 10 is easy. */
  jaw: scale,
  /** How tense the brow is: 10 is very tense. */
  brow: scale,
  /** How alike left and right feel: 10 is alike. */
  evenness: scale,
  words: z.string().trim().max(500, 'Use at most 500 characters.'),
});
export type CheckInGiven = z.output<typeof checkInSchema>;

export interface CheckIn extends CheckInGiven {
  week: CheckInWeek;
  /** Epoch ms. */
  at: number;
}

export const SCALES = {
  jaw: 'Ease of the jaw',
  brow: 'Tension of the brow',
  evenness: 'Evenness, left to right',
} as const;

/** The week that is asked for on a day, by when somebody consented; null for none. Dates are ISO 8601. */
export function dueWeek({
  consentOn,
  today,
  given,
}: {
  consentOn: string | null;
  today: string;
  given: readonly CheckInWeek[];
}): CheckInWeek | null {
  if (consentOn === null) return null;
  const day = daysBetween(consentOn, today);
  const week = CHECK_IN_WEEKS.find((w) => day >= 7 * w && day < 7 * w + OPEN_DAYS);
  return week === undefined || given.includes(week) ? null : week;
}
