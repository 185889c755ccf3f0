import { afterEach, vi } from 'vitest';

/**
 * What a test replaced is given back once it is over, and not only when another one begins: files of one worker share
 * what is replaced, and the next of them reads it before its first test.
 */
afterEach(() => {
  vi.unstubAllEnvs();
  vi.unstubAllGlobals();
});
