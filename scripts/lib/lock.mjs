import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { DATA_DIR } from './paths.mjs';

/** Holds the process id of the start command while it runs. */
export const LOCK = path.join(DATA_DIR, 'start.pid');

/** The process id of another start command that runs on this data folder; null where none does. */
export function otherStart() {
  if (!existsSync(LOCK)) return null;
  const pid = Number(readFileSync(LOCK, 'utf8'));
  try {
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return pid !== process.pid && command.includes('start.mjs') ? pid : null;
  } catch {
    return null;
  }
}
