import { readFileSync } from 'node:fs';

/**
 * The server's clock, in epoch ms. The tests name a file in UPBEAT_CLOCK_FILE and set the time
 * there, so that it survives a restart of the server as real time does: `T` stands still at T,
 * `T@R` runs on from T at the real time R.
 */
export function now(): number {
  const file = process.env.UPBEAT_CLOCK_FILE;
  if (!file) return Date.now();
  const [time, since] = readFileSync(file, 'utf8').split('@').map(Number);
  return (time ?? Number.NaN) + (since === undefined ? 0 : Date.now() - since);
}
