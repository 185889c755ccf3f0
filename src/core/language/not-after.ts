import type { Words } from './language';

/** A pattern that does not count where some words stand right before it. Older browsers cannot look back in a pattern. */
export const notAfter = (before: RegExp, words: RegExp): Words => {
  const all = new RegExp(words, `${words.flags}g`);
  return {
    exec: (text) =>
      [...text.matchAll(all)].find((found) => !before.test(text.slice(0, found.index))) ?? null,
  };
};
