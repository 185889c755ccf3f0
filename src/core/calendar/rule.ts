import * as rrule from 'rrule';
import type { Rule } from './schemas';
import { MOST_IN_SERIES, WEEKDAYS, type Weekday } from './week';

// Loaded by Node as it is, the package has its names in a default export.
const { RRule } =
  'RRule' in rrule ? rrule : (rrule as unknown as { default: typeof rrule }).default;

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
