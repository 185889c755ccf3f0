import { readFileSync } from 'node:fs';

/**
 * The server's clock, in epoch ms. The tests name a file in UPBEAT_CLOCK_FILE and set the time
 * there, so that it survives a restart of the server as real time does.
 */
export function now(): number {
  const file = process.env.UPBEAT_CLOCK_FILE;
  return file ? Number(readFileSync(file, 'utf8')) : Date.now();
}
