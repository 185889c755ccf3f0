const MINUTE_MS = 60_000;

/** How long it is until something begins, as in "in 1 h 20" or "began 5 min ago". @param ms until then */
export function soonWords(ms: number): string {
  const minutes = Math.round(Math.abs(ms) / MINUTE_MS);
  if (minutes === 0) return 'now';
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  const length =
    hours >= 48
      ? `${Math.round(hours / 24)} days`
      : hours > 0
        ? `${hours} h${rest ? ` ${rest}` : ''}`
        : `${minutes} min`;
  return ms < 0 ? `began ${length} ago` : `in ${length}`;
}
