import { z } from 'zod';

export const MARKS = ['here', 'late', 'absent', 'excused'] as const;
export const markSchema = z.enum(MARKS);
export type Mark = z.infer<typeof markSchema>;
export const MARK_NAMES: Record<Mark, string> = {
  here: 'here',
  late: 'late',
  absent: 'not here',
  excused: 'excused',
};
/** The letter that means a mark, in registers that are filled by keyboard. */
export const MARK_KEYS: Record<Mark, string> = { here: 'h', late: 'l', absent: 'n', excused: 'e' };

/** Whoever is marked so took part. */
export const came = (mark: Mark | null | undefined): boolean => mark === 'here' || mark === 'late';

export const attendanceSchema = z.object({
  mark: markSchema,
  /** Epoch ms; null for somebody who did not come. */
  arrivedAt: z.number().nullable(),
  leftAt: z.number().nullable(),
});
export type Attendance = z.infer<typeof attendanceSchema>;

/** Somebody on the roll of a session, as far as it matters whether they are there. */
export interface OnRoll {
  attendance: Attendance | null;
  /** They wait for room, or said that they cannot come. */
  waiting: boolean;
  away: boolean;
}

/** Whether somebody has no mark yet and is more likely to be there than not. */
export const isAwaited = ({ attendance, waiting, away }: OnRoll): boolean =>
  !attendance && !(waiting || away);

/** Whether somebody is booked and has no mark yet, so that they are stored as not here once the session is closed. */
export const isUnmarked = (entry: OnRoll & { booked: boolean }): boolean =>
  entry.booked && isAwaited(entry);

/** What closing a session makes of those without a mark; null where everybody has one. */
export const unmarkedWords = (count: number): string | null => {
  if (count === 0) return null;
  const who = count === 1 ? 'One person is' : `${count} people are`;
  return `${who} booked and not marked: they will be stored as not here.`;
};

/** A teacher's mark for one person, as the register stores it. */
export function marked(before: Attendance | undefined, mark: Mark, now: number): Attendance {
  if (!came(mark)) return { mark, arrivedAt: null, leftAt: null };
  return { mark, arrivedAt: before?.arrivedAt ?? now, leftAt: before?.leftAt ?? null };
}

/**
 * Time somebody took part, in ms: from their arrival or the start, whichever is later, to their
 * leaving or the end, whichever is earlier. 0 for somebody who was not there.
 */
export function takenPartMs(a: Attendance, startedAt: number, endedAt: number): number {
  if (!came(a.mark) || a.arrivedAt === null) return 0;
  return Math.max(0, Math.min(a.leftAt ?? endedAt, endedAt) - Math.max(a.arrivedAt, startedAt));
}

/** How long after the start somebody came, in ms; 0 if in time. */
export function lateByMs(a: Attendance, startedAt: number): number {
  return a.arrivedAt === null ? 0 : Math.max(0, a.arrivedAt - startedAt);
}
