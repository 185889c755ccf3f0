import { GAP_DAYS, gapWords, isRoundCount } from './who';

/** What of somebody is worth a word in the room. */
export interface Greeted {
  timesBefore: number;
  /** When they came last, epoch ms; null where they never did. */
  lastAt: number | null;
  greet: boolean;
}

const DAY_MS = 86_400_000;

/**
 * One phrase for whoever is to be greeted in particular: for the first time, back after a gap, or with a round
 * number of classes. Null for most. @param startsAt when the session is, epoch ms
 */
export function greetingOf(
  { timesBefore, lastAt, greet }: Greeted,
  startsAt: number,
): string | null {
  if (timesBefore === 0) return 'first class';
  const days = lastAt === null ? 0 : (startsAt - lastAt) / DAY_MS;
  if (days >= GAP_DAYS) return `back after ${gapWords(days)}`;
  return greet && isRoundCount(timesBefore + 1) ? `class number ${timesBefore + 1}` : null;
}
