import { setImmediate } from 'node:timers/promises';

/** Longer than that nobody waits for a turn, but for a single step of the work. */
const TURN_MS = 10;

/**
 * For a long piece of work that is done here: asked before each of its steps, it lets others have their turn when
 * they have waited long enough.
 */
export function turns(): () => Promise<void> {
  let since = performance.now();
  return async () => {
    if (performance.now() - since < TURN_MS) return;
    await setImmediate();
    since = performance.now();
  };
}
