import type { BookedPerson } from '@/core/checks';

/** Who is booked on a class, what it did lately and how often a week it meets. */
export interface Room {
  people: readonly BookedPerson[];
  recent: readonly string[];
  sessionsAWeek: number;
  /** When the class meets next, epoch ms. */
  nextAt: number | null;
  timeZone: string;
}
