import {
  addDays,
  afterTheGap,
  daysBetween,
  instantsOf,
  type LocalTime,
  type MISSING,
  type TWICE,
} from './local';
import { datesOf } from './rule';
import type { Rule } from './schemas';
import { MOST_IN_SERIES } from './week';

/** Days on which nothing meets, the first and the last among them. */
export interface Closure {
  from: string;
  to: string;
  name: string;
}

/** When sessions are wanted. */
export interface Wanted {
  /** ISO 8601 date of the first one. */
  start: string;
  /** As the clock on the wall shows it, as in "18:30". */
  time: string;
  /** Once where nothing is said. */
  rule: Rule | null;
  /** The classes in turn; one of them for a series that never changes. */
  classIds: readonly string[];
  /** What the teacher chose for times that the clocks jump over or show twice; asked where there are some. */
  missing?: (typeof MISSING)[number];
  twice?: (typeof TWICE)[number];
}

/** A session as it would come onto the calendar. */
export interface ToCome {
  /** When the series has it, whatever is done to it later. */
  occurrence: LocalTime;
  /** Epoch ms. */
  startsAt: number;
  classId: string;
  /** Name of the closure it falls into; it is cancelled then. */
  closed: string | null;
}

export type Unfolded =
  | { ok: true; sessions: ToCome[] }
  | { ok: false; why: 'too-many' | 'none' }
  /** The clocks jump over these times, or show them twice, and the teacher has not said what then. */
  | { ok: false; why: 'missing' | 'twice'; at: LocalTime[] };

/** The closure that a day falls into. */
export const closureOn = <C extends Closure>(closures: readonly C[], date: string): C | undefined =>
  closures.find((c) => c.from <= date && date <= c.to);

/**
 * Unfolds what is wanted into sessions. The classes take turns session by session; one that falls into a
 * closure has its turn all the same, so that the others stay what they were.
 * @param zone the studio's time zone
 */
export function unfold(
  wanted: Wanted,
  { zone, closures }: { zone: string; closures: readonly Closure[] },
): Unfolded {
  const { rule, start, time, classIds } = wanted;
  const dates = rule ? datesOf(rule, start) : [start];
  if (dates.length === 0) return { ok: false, why: 'none' };
  if (dates.length > MOST_IN_SERIES) return { ok: false, why: 'too-many' };
  const at = dates.map((date) => {
    const local = `${date}T${time}`;
    return { date, local, instants: instantsOf(local, zone) };
  });
  const asked = (of: (instants: number) => boolean) =>
    at.filter(({ instants }) => of(instants.length)).map(({ local }) => local);
  const [missing, twice] = [asked((n) => n === 0), asked((n) => n > 1)];
  if (missing.length > 0 && !wanted.missing) return { ok: false, why: 'missing', at: missing };
  if (twice.length > 0 && !wanted.twice) return { ok: false, why: 'twice', at: twice };
  const sessions = at.flatMap(({ date, local, instants }, i): ToCome[] => {
    if (instants.length === 0 && wanted.missing === 'leave-out') return [];
    const chosen = wanted.twice === 'second' ? instants.at(-1) : instants[0];
    return [
      {
        occurrence: local,
        startsAt: chosen ?? afterTheGap(local, zone),
        classId: classIds[i % classIds.length] ?? '',
        closed: closureOn(closures, date)?.name ?? null,
      },
    ];
  });
  return sessions.length > 0 ? { ok: true, sessions } : { ok: false, why: 'none' };
}

/** A session moved along with others: by so many days, and to another time of day. */
export interface Move {
  days: number;
  time: string;
}

/** What moves a session from where the clocks show one time to another. */
export const moveFrom = (from: LocalTime, to: LocalTime): Move => ({
  days: daysBetween(from.slice(0, 10), to.slice(0, 10)),
  time: to.slice(11),
});

/**
 * When a moved session begins. A time that the clocks jump over comes as much later; of one that they show
 * twice the first is taken (RFC 5545, section 3.3.5).
 */
export function moved(local: LocalTime, { days, time }: Move, zone: string): number {
  const to = `${addDays(local.slice(0, 10), days)}T${time}`;
  return instantsOf(to, zone)[0] ?? afterTheGap(to, zone);
}
