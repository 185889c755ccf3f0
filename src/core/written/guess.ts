import { LANGUAGES } from '../language';
import type { Move } from '../move';

/** Which move somebody meant by a name they wrote. */

export interface Guess {
  moveId: string;
  /** How much the names are alike, 0 to 1. */
  alike: number;
}

/** From here on a guess is taken to be right, and from there on worth a look. */
export const SURE = 0.8;
export const LIKELY = 0.4;
const MOST_GUESSES = 6;

/** Letters and digits alone, without marks over them, with a space at both ends. */
const plain = (name: string): string =>
  ` ${name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()} `;

function threes(name: string): Map<string, number> {
  const all = new Map<string, number>();
  for (let i = 0; i + 3 <= name.length; i++) {
    const three = name.slice(i, i + 3);
    all.set(three, (all.get(three) ?? 0) + 1);
  }
  return all;
}
const sum = (all: Map<string, number>): number => [...all.values()].reduce((n, c) => n + c, 0);

/** How much two names are alike, 0 to 1: the letters that they share, three at a time (Dice's coefficient). */
export function alike(a: string, b: string): number {
  const [ours, theirs] = [threes(plain(a)), threes(plain(b))];
  const [n, m] = [sum(ours), sum(theirs)];
  if (n + m === 0) return 0;
  let shared = 0;
  for (const [three, count] of ours) shared += Math.min(count, theirs.get(three) ?? 0);
  return (2 * shared) / (n + m);
}

/** The moves that a name may mean, the likeliest first; by its name in any language. */
export function guesses(name: string, moves: readonly Move[]): Guess[] {
  return moves
    .map((move): Guess => {
      const names = LANGUAGES.flatMap((language) => move.text[language]?.name ?? []);
      return { moveId: move.id, alike: Math.max(0, ...names.map((n) => alike(name, n))) };
    })
    .filter((guess) => guess.alike >= LIKELY)
    .sort((a, b) => b.alike - a.alike)
    .slice(0, MOST_GUESSES);
}
