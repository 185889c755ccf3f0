import { tz, tzOffset } from '@date-fns/tz';
import { addDays, format, formatISO, parseISO, startOfDay } from 'date-fns';
import { MAIN_LANGUAGE } from '../language';
import type { WallClock } from './wall-clock';

/** Time of day in a studio's time zone, as in "12:15". @param ms epoch ms */
export const timeOfDay = (ms: number, timeZone: string): string =>
  format(ms, 'HH:mm', { in: tz(timeZone) });

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 3_600_000;

/** A clock in a studio's time zone, in the day from an instant on. @param from epoch ms */
export function wallClock(from: number, timeZone: string): WallClock {
  const ahead = (ms: number) => tzOffset(timeZone, new Date(ms)) * MINUTE_MS;
  const [aheadMs, later] = [ahead(from), ahead(from + DAY_MS)];
  if (aheadMs === later) return { from, aheadMs };
  let [before, at] = [from, from + DAY_MS];
  while (at - before > 1) {
    const middle = Math.floor((before + at) / 2);
    if (ahead(middle) === later) at = middle;
    else before = middle;
  }
  return { from, aheadMs, change: { at, aheadMs: later } };
}

const DAY = 'EEE d MMM yyyy';

/** Day in a studio's time zone, as in "Tue 24 Nov 2026". @param ms epoch ms */
export const dayLabel = (ms: number, timeZone: string): string =>
  format(ms, DAY, { in: tz(timeZone) });

/** The same in the language of whoever reads it. @param language as in RFC 5646 */
export const dayIn = (language: string, ms: number, timeZone: string): string =>
  language === MAIN_LANGUAGE
    ? dayLabel(ms, timeZone)
    : new Intl.DateTimeFormat(language, {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        timeZone,
      }).format(ms);

/** A day that is stored as a date, as in "2026-11-24", shown as every other day is. */
export const dateLabel = (date: string): string => format(parseISO(date), DAY);

/** The same in the language of whoever reads it. @param language as in RFC 5646 */
export const dateIn = (language: string, date: string): string =>
  dayIn(language, Date.parse(`${date}T12:00Z`), 'UTC');

/** The date on which an instant falls in a studio's time zone, as in "2026-11-24". @param ms epoch ms */
export const dateOn = (ms: number, timeZone: string): string =>
  formatISO(ms, { representation: 'date', in: tz(timeZone) });

/**
 * The day an instant falls on, in a studio's time zone: from its start to the start of the next, in
 * epoch ms. It is 23 or 25 hours long when the clocks change.
 */
export function dayOf(ms: number, timeZone: string): { start: number; end: number } {
  const start = startOfDay(ms, { in: tz(timeZone) });
  return { start: start.getTime(), end: addDays(start, 1).getTime() };
}
