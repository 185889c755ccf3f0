import { copyFileSync, fchmodSync, openSync, statSync, truncateSync } from 'node:fs';

/** How much a log says before that is put aside, in bytes. What was put aside before goes. */
export const MOST_LOG_BYTES = 5_000_000;

/**
 * Opens a log for a program to go on with, which nobody else on the machine reads.
 * @returns {number} its file descriptor
 */
export function openLog(file) {
  const log = openSync(file, 'a', 0o600);
  fchmodSync(log, 0o600);
  putAside(file);
  return log;
}

/** Puts aside what a log has said, where that is much: it begins anew, and whoever writes to it goes on there. */
export function putAside(file, most = MOST_LOG_BYTES) {
  if (statSync(file).size <= most) return;
  copyFileSync(file, `${file}.before`);
  truncateSync(file);
}
