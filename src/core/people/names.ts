import { grouped } from '../collections';

/** Names as they are compared: without case, accents, and what is neither a letter nor a digit. */
export const plainName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();

function pairsOf(word: string): string[] {
  const padded = ` ${word} `;
  return Array.from({ length: padded.length - 1 }, (_, i) => padded.slice(i, i + 2));
}

/**
 * How alike two names are, 0 to 1: twice the pairs of letters that they share among all pairs of both (the
 * coefficient of Dice, 1945), and at least 0.8 where one of them begins with the other.
 */
export function likeness(a: string, b: string): number {
  const [one, other] = [plainName(a), plainName(b)];
  if (one === '' || other === '') return 0;
  if (one === other) return 1;
  const rest = pairsOf(other);
  const all = pairsOf(one);
  const shared = all.filter((pair) => {
    const at = rest.indexOf(pair);
    if (at >= 0) rest.splice(at, 1);
    return at >= 0;
  }).length;
  const dice = (2 * shared) / (all.length + pairsOf(other).length);
  const begins = `${one} `.startsWith(`${other} `) || `${other} `.startsWith(`${one} `);
  return begins ? Math.max(0.8, dice) : dice;
}

/** From here on two names may well be of one person. */
const ALIKE = 0.6;

/** Those whose name is like another, the likest first, so many at most. */
export function alike<P extends { name: string }>(
  people: readonly P[],
  name: string,
  most: number,
): P[] {
  return people
    .map((person) => ({ person, like: likeness(person.name, name) }))
    .filter(({ like }) => like >= ALIKE)
    .sort((a, b) => b.like - a.like || (a.person.name < b.person.name ? -1 : 1))
    .slice(0, most)
    .map(({ person }) => person);
}

/** What is known of somebody on a roll by which they are told from another one of their name. */
export interface Namesake {
  name: string;
  /** Held sessions they came to before. */
  timesBefore: number;
}

/**
 * People of one name get something behind it by which one knows whom is meant: how often they have come, as in
 * "Ada (12×)" and "Ada (new)", and a number where that is the same: by their ids, so that it is of the same one
 * wherever both stand. All others stay as they are.
 */
export function toldApart<P extends Namesake>(
  people: readonly P[],
  idOf: (person: P) => string,
): P[] {
  const same = grouped(people, ({ name }) => plainName(name));
  const named = new Map<P, string>();
  for (const namesakes of same.values()) {
    if (namesakes.length < 2) continue;
    const often = grouped(namesakes, ({ timesBefore: n }) => (n === 0 ? 'new' : `${n}×`));
    for (const [times, alike] of often) {
      const inOrder = [...alike].sort((a, b) => (idOf(a) < idOf(b) ? -1 : 1));
      for (const [i, person] of inOrder.entries()) {
        named.set(person, alike.length < 2 ? times : `${times}, ${i + 1}`);
      }
    }
  }
  return people.map((person) => {
    const apart = named.get(person);
    return apart === undefined ? person : { ...person, name: `${person.name} (${apart})` };
  });
}
