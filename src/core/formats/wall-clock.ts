/** A clock on a wall somewhere in the world, in the day from an instant on. It is read without knowing the zone. */
export interface WallClock {
  /** Epoch ms from which on it is known. */
  from: number;
  /** How far it is ahead of UTC, in ms; negative in the west. */
  aheadMs: number;
  /** When it is put forward or back in that day, and how far it is ahead from then on. */
  change?: { at: number; aheadMs: number };
}

const two = (n: number) => String(n).padStart(2, '0');

/** What a clock on a wall shows, as in "12:15". @param ms epoch ms, in the day after it was looked at */
export function readClock({ aheadMs, change }: WallClock, ms: number): string {
  const there = new Date(ms + (change && ms >= change.at ? change.aheadMs : aheadMs));
  return `${two(there.getUTCHours())}:${two(there.getUTCMinutes())}`;
}
