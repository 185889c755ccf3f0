import { tzOffset } from '@date-fns/tz';
import type { Mark } from '../attendance';
import type { Closure, SessionStatus } from '../calendar';

/** A meeting of a class somebody was booked on. */
export interface Meeting {
  sessionId: string;
  /** Epoch ms. */
  startsAt: number;
  status: SessionStatus;
  /** What the register says; nothing where nothing was marked. */
  mark?: Mark;
  /** Why it was cancelled, in a word. */
  word?: string;
  /** Share of the session they took part in, in percent; nothing where its times are not known. */
  share?: number;
}

/** Days, the first and the last among them, ISO 8601. */
export interface Span {
  from: string;
  to: string;
}

/** All that a streak is folded from. The order of the lists does not matter. */
export interface History {
  /** Day they joined, ISO 8601. What was before neither counts nor breaks. */
  from: string;
  /** Last day, for somebody who left; null for who is still there. */
  until: string | null;
  meetings: readonly Meeting[];
  /** When they practised at home, epoch ms. */
  practice: readonly number[];
  holidays: readonly Closure[];
  pauses: readonly Span[];
  /** Days they took off as they like, ISO 8601. */
  freezes: readonly string[];
}

/** Days as whole numbers, 0 for 1970-01-01, so that a year of them is counted quickly. */
export type Day = number;

const DAY_MS = 86_400_000;

/** @param date ISO 8601 */
export const dayOfDate = (date: string): Day => Math.round(Date.parse(`${date}T00:00Z`) / DAY_MS);
/** ISO 8601 date of a day. */
export const dateOfDay = (day: Day): string => new Date(day * DAY_MS).toISOString().slice(0, 10);
/** The Monday of the week that a day is in; the first day of 1970 was a Thursday. */
export const mondayOfDay = (day: Day): Day => day - ((((day + 3) % 7) + 7) % 7);

/** Tells the day on which an instant falls in a zone; what many people share is worked out once. */
export function daysIn(zone: string): (ms: number) => Day {
  const known = new Map<number, Day>();
  return (ms) => {
    const before = known.get(ms);
    if (before !== undefined) return before;
    const day = Math.floor((ms + tzOffset(zone, new Date(ms)) * 60_000) / DAY_MS);
    known.set(ms, day);
    return day;
  };
}
