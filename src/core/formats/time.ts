/** Minutes and seconds as a teacher reads them, rounded to the second: 0:48, 17:41, 1:02:05. */
export function clock(ms: number): string {
  const total = Math.round(Math.abs(ms) / 1000);
  const seconds = String(total % 60).padStart(2, '0');
  const minutes = Math.floor(total / 60) % 60;
  const hours = Math.floor(total / 3600);
  const sign = ms < 0 && total > 0 ? '−' : '';
  return hours
    ? `${sign}${hours}:${String(minutes).padStart(2, '0')}:${seconds}`
    : `${sign}${minutes}:${seconds}`;
}

/** Seconds with at most one decimal, as in "7.4 s". */
export function shortSeconds(ms: number): string {
  return `${Math.round(ms / 100) / 10} s`;
}

/**
 * Reads a length as people type it: `90`, `1:30`, `20 min`, `45 s`, `1 h`.
 * Bare numbers are of the given unit. Returns seconds, or null for what it cannot read.
 */
export function parseSeconds(text: string, bareUnit: 's' | 'min' = 's'): number | null {
  const input = text.trim().toLowerCase().replace(',', '.');
  const colon = /^(\d{1,3}):([0-5]\d)$/.exec(input);
  if (colon) return Number(colon[1]) * 60 + Number(colon[2]);
  const unit =
    /^(\d+(?:\.\d+)?)\s*(s|sec|secs|seconds?|sek|sekunden?|m|min|mins|minutes?|minuten?|h|hours?|std|stunden?)?\.?$/.exec(
      input,
    );
  if (!unit) return null;
  const value = Number(unit[1]);
  const name = unit[2] ?? bareUnit;
  const factor =
    name.startsWith('h') || name.startsWith('st') ? 3600 : name.startsWith('m') ? 60 : 1;
  return value * factor;
}
