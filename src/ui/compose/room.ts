import type { BookedPerson } from '@/core/checks';
import type { WallClock } from '@/core/formats';

/** Who is booked on a class, what it did lately and how often a week it meets. */
export interface Room {
  people: readonly BookedPerson[];
  recent: readonly string[];
  sessionsAWeek: number;
  /** The clock in the studio from when the class meets next; null where nothing is planned. */
  next: WallClock | null;
  timeZone: string;
}
