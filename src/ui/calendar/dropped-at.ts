import { addDays, daysBetween } from '@/core/calendar';

/** Sessions that are dragged begin at whole quarters of an hour from where they were. */
const STEP_MINUTES = 15;
const DAY_MINUTES = 24 * 60;

/**
 * Where a session begins that was dragged so far: within its week, and on a day as long as it is.
 * @param at where it was, as in "2026-11-24T18:30"
 */
export function droppedAt(
  at: string,
  { days, minutes, from }: { days: number; minutes: number; from: string },
): string {
  const weekday = daysBetween(from, at.slice(0, 10));
  const day = Math.min(6, Math.max(0, weekday + days));
  const was = 60 * Number(at.slice(11, 13)) + Number(at.slice(14, 16));
  const moved = was + STEP_MINUTES * Math.round(minutes / STEP_MINUTES);
  const to = Math.min(DAY_MINUTES - 5, Math.max(0, moved));
  const two = (n: number) => String(n).padStart(2, '0');
  return `${addDays(from, day)}T${two(Math.floor(to / 60))}:${two(to % 60)}`;
}
