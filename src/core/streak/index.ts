import type { Mark } from '../attendance';

/** A meeting of a class somebody was booked on. */
export interface BookedSession {
  sessionId: string;
  /** Epoch ms. */
  startsAt: number;
  status: 'planned' | 'held' | 'cancelled';
  /** What the register says; undefined where nothing was marked. */
  mark?: Mark;
}

export type DayVerdict = 'kept' | 'broken' | 'cancelled' | 'to come';

export interface StreakDay {
  sessionId: string;
  startsAt: number;
  verdict: DayVerdict;
  /** The streak after this meeting. */
  streak: number;
}

export interface Streak {
  current: number;
  longest: number;
  /** How the figure came about, oldest first. */
  days: StreakDay[];
}

/**
 * Consecutive meetings of a class that somebody came to, late or not. A cancelled meeting neither
 * breaks the streak nor counts; one that is still to come changes nothing. Order of the input does
 * not matter.
 */
export function streak(sessions: readonly BookedSession[]): Streak {
  let current = 0;
  let longest = 0;
  const days: StreakDay[] = [];
  const inOrder = [...sessions].sort(
    (a, b) => a.startsAt - b.startsAt || a.sessionId.localeCompare(b.sessionId),
  );
  for (const { sessionId, startsAt, status, mark } of inOrder) {
    const verdict = verdictOf(status, mark);
    if (verdict === 'kept') current++;
    if (verdict === 'broken') current = 0;
    longest = Math.max(longest, current);
    days.push({ sessionId, startsAt, verdict, streak: current });
  }
  return { current, longest, days };
}

function verdictOf(status: BookedSession['status'], mark: Mark | undefined): DayVerdict {
  if (status === 'cancelled') return 'cancelled';
  if (status === 'planned') return 'to come';
  return mark === 'here' || mark === 'late' ? 'kept' : 'broken';
}
