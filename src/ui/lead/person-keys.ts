import type { RollEntry } from '@/core/calls';
import { mayBeHere } from './use-roll';

/** Keys that can mean a person; whoever comes after is picked by a press. */
const PERSON_KEYS = [...'abcdefghijklmnopqrstuvwxyz1234567890'];

/** Whether a key can mean a person, and so nothing else while one is picked. */
export const meansSomebody = (key: string): boolean => PERSON_KEYS.includes(key.toLowerCase());

/** The key of each person who is in the room, or may be and is not marked yet, by their id. */
export function personKeys(entries: readonly RollEntry[]): ReadonlyMap<string, string> {
  const people = entries.filter(mayBeHere).slice(0, PERSON_KEYS.length);
  return new Map(people.map(({ participantId }, i) => [participantId, PERSON_KEYS[i] as string]));
}

/** The id of the person whom a key means; undefined where it means nobody. */
export const personOf = (entries: readonly RollEntry[], key: string): string | undefined =>
  [...personKeys(entries)].find(([, theirs]) => theirs === key.toLowerCase())?.[0];
