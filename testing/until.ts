import { vi } from 'vitest';

/** So long one waits for what comes by itself: a machine whose time is taken by others is no fault. In ms. */
const LONGEST_MS = 60_000;

/** Waits until something holds that comes by itself. @throws what `is` throws, where it does not come */
export const until = (is: () => unknown): Promise<unknown> =>
  vi.waitFor(is, { timeout: LONGEST_MS });
