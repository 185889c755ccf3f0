import * as rrule from 'rrule';
import { z } from 'zod';
import { dateSchema } from './local';

// Loaded by Node as it is, the package has its names in a default export.
const { RRule } =
  'RRule' in rrule ? rrule : (rrule as unknown as { default: typeof rrule }).default;

export const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;
export type Weekday = (typeof WEEKDAYS)[number];
export const WEEKDAY_NAMES: Record<Weekday, string> = {
  MO: 'Monday',
  TU: 'Tuesday',
  WE: 'Wednesday',
  TH: 'Thursday',
  FR: 'Friday',
  SA: 'Saturday',
  SU: 'Sunday',
};

/** Most sessions of one series: a weekly one of more than seven years. */
export const MOST_IN_SERIES = 400;

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

const weekdayOf = (date: string): Weekday =>
  WEEKDAYS[(new Date(`${date}T00:00Z`).getUTCDay() + 6) % 7] ?? 'MO';

/** Which of its weekdays in the month a day is; -1 for a fifth, which not every month has. */
function inMonth(date: string): number {
  const nth = Math.ceil(Number(date.slice(8)) / 7);
  return nth > 4 ? -1 : nth;
}

/** The rule as RFC 5545 writes it (section 3.3.10), for a series that begins on a day. */
export function recurrenceOf(rule: Rule, start: string): string {
  const { every, end } = rule;
  const on = {
    daily: () => [],
    weekly: () => {
      const days =
        rule.repeats === 'weekly' && rule.days.length > 0 ? rule.days : [weekdayOf(start)];
      return [`BYDAY=${WEEKDAYS.filter((day) => days.includes(day)).join(',')}`];
    },
    monthly: () => [`BYDAY=${inMonth(start)}${weekdayOf(start)}`],
  }[rule.repeats]();
  const until =
    end.by === 'number' ? `COUNT=${end.count}` : `UNTIL=${end.last.replaceAll('-', '')}T235959Z`;
  return [`FREQ=${rule.repeats.toUpperCase()}`, `INTERVAL=${every}`, 'WKST=MO', ...on, until].join(
    ';',
  );
}

/**
 * The days on which a series meets, in order, `MOST_IN_SERIES` and one more at most. They are reckoned without
 * a time zone, so that no change of the clocks moves them.
 * @param start the first day that the rule may name
 */
export function datesOf(rule: Rule, start: string): string[] {
  const from = new Date(`${start}T00:00Z`);
  const options = RRule.parseString(recurrenceOf(rule, start));
  return new RRule({ ...options, dtstart: from })
    .all((_, i) => i <= MOST_IN_SERIES)
    .map((day) => day.toISOString().slice(0, 10));
}
