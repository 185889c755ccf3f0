import { daysIn, type Streak, streakOf } from '@/core/streak';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { type ClassHistory, historiesOf, type Times, type Whose } from './histories';

/** A person's regularity in one class they are or were booked on. */
export interface ClassStreak extends ClassHistory {
  streak: Streak;
}

/**
 * Streaks of everybody, of some people or in one class, by participant, the longest running first and those
 * of bookings that have ended last. @param now epoch ms
 */
export const streaksBy = async (db: Db, scope: Scope, of: Asked): Promise<StreaksBy> =>
  (await regularityOf(db, scope, of)).streaks;

interface Asked {
  whose?: Whose;
  zone: string;
  now: number;
}
type StreaksBy = ReadonlyMap<string, ClassStreak[]>;

/** The same, with how often each of them came. */
export async function regularityOf(
  db: Db,
  scope: Scope,
  of: Asked,
): Promise<{ streaks: StreaksBy; times: ReadonlyMap<string, Times> }> {
  const { zone, now } = of;
  const dayOf = daysIn(zone);
  const byPerson = new Map<string, ClassStreak[]>();
  const { histories, times } = await historiesOf(db, scope, of);
  for (const history of histories) {
    const { rules } = history;
    const streak = streakOf(history.history, { rules, zone, now, dayOf });
    const list = byPerson.get(history.participantId);
    if (list) list.push({ ...history, streak });
    else byPerson.set(history.participantId, [{ ...history, streak }]);
  }
  for (const list of byPerson.values()) {
    list.sort((a, b) => Number(a.ended) - Number(b.ended) || b.streak.current - a.streak.current);
  }
  return { streaks: byPerson, times };
}
