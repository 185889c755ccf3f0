import { tzOffset } from '@date-fns/tz';

/**
 * Times as a clock on the wall shows them, without a time zone, as in "2026-11-24T18:30". A class at 18:30
 * stays at 18:30 when the clocks change; only in a zone does it become an instant.
 */
export type LocalTime = string;

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

/** A local time as if it were in UTC, epoch ms. */
const asUtc = (local: LocalTime): number => Date.parse(`${local}Z`);
const offsetMs = (zone: string, ms: number): number => tzOffset(zone, new Date(ms)) * MINUTE_MS;

/** What the clocks of a zone show at an instant, to the minute. @param ms epoch ms */
export const localOf = (ms: number, zone: string): LocalTime =>
  new Date(ms + offsetMs(zone, ms)).toISOString().slice(0, 16);

/**
 * The instants at which the clocks of a zone show a time, in epoch ms: one as a rule, none where the clocks
 * jump over it, two where they are put back.
 */
export function instantsOf(local: LocalTime, zone: string): number[] {
  const utc = asUtc(local);
  // The offset is one of those a day before and a day after; clocks never change twice within two days.
  const offsets = new Set([offsetMs(zone, utc - DAY_MS), offsetMs(zone, utc + DAY_MS)]);
  return [...offsets]
    .map((offset) => utc - offset)
    .filter((ms) => localOf(ms, zone) === local)
    .sort((a, b) => a - b);
}

/** What is done about a time that the clocks jump over, or show twice. */
export const MISSING = ['later', 'leave-out'] as const;
export const TWICE = ['first', 'second'] as const;

/**
 * A time that does not exist, taken with the offset that held before the clocks changed: they then show as
 * much later as they jumped. So RFC 5545 has it, section 3.3.5.
 */
export const afterTheGap = (local: LocalTime, zone: string): number => {
  const utc = asUtc(local);
  return utc - offsetMs(zone, utc - DAY_MS);
};

/** A date so many days later. */
export const addDays = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** Days from one date to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00Z`) - Date.parse(`${from}T00:00Z`)) / DAY_MS);

/** The Monday of the week that a date is in. */
export function mondayOf(date: string): string {
  const day = new Date(`${date}T00:00Z`).getUTCDay();
  return addDays(date, -((day + 6) % 7));
}

/** ISO 8601 number of the week that a date is in, 1 to 53: that of its Thursday. */
export function weekNumber(date: string): number {
  const thursday = addDays(mondayOf(date), 3);
  return 1 + Math.floor(daysBetween(`${thursday.slice(0, 4)}-01-01`, thursday) / 7);
}
