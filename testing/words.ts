import { expect } from 'vitest';

/** What is put into a sentence, by its names in braces. */
export const places = (says: string): string[] => [...says.matchAll(/\{\w+\}/g)].map(String).sort();

/** Every sentence by its place. */
function sentences(words: object, at = ''): [string, string][] {
  return Object.entries(words).flatMap(([name, says]): [string, string][] =>
    typeof says === 'string' ? [[`${at}${name}`, says]] : sentences(says, `${at}${name}.`),
  );
}

/**
 * Expects that one language says all that another says, with the same put in, and in other words.
 * @param alike places of what reads the same in both
 */
export function expectSaysTheSame(ours: object, theirs: object, alike: readonly string[] = []) {
  const [here, there] = [sentences(ours), sentences(theirs)];
  expect(here.map(([name]) => name).sort()).toEqual(there.map(([name]) => name).sort());
  const other = new Map(there);
  for (const [name, says] of here) {
    expect(places(says), name).toEqual(places(other.get(name) ?? ''));
    if (!alike.includes(name)) expect(says, name).not.toBe(other.get(name));
  }
}
