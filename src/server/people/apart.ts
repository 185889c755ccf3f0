import { grouped } from '@/core/collections';
import { plainName, toldApart } from '@/core/people';
import type { Db } from '../db';
import type { Scope } from '../scope';
import type { Times } from './histories';
import { timesBy } from './times';

/** Somebody of the register. */
export interface Named {
  id: string;
  name: string;
}

/** With the name by which they are told from others of their name: it is to be read, never stored. */
export interface Apart extends Named {
  shown: string;
}

/** Tells people of one name apart, by how often they have come (`toldApart`). */
export async function apart<P extends Named>(
  db: Db,
  scope: Scope,
  people: readonly P[],
): Promise<(P & Apart)[]> {
  const same = [...grouped(people, ({ name }) => plainName(name)).values()];
  const namesakes = same.filter((all) => all.length > 1).flat();
  const ids = namesakes.map((p) => p.id);
  const times = ids.length > 0 ? await timesBy(db, scope, ids) : new Map<string, Times>();
  const told = toldApart(
    people.map(({ id, name }) => ({ id, name, timesBefore: times.get(id)?.times ?? 0 })),
    ({ id }) => id,
  );
  return people.map((person, i) => ({ ...person, shown: told[i]?.name ?? person.name }));
}

/** People to choose from. */
export const asChoices = (people: readonly Apart[]): Named[] =>
  people.map(({ id, shown }) => ({ id, name: shown }));

/** Gives people of another list the names that they have in this one. */
export function namedAs(people: readonly Apart[]) {
  const names = new Map(people.map(({ id, shown }) => [id, shown]));
  return <P extends { participantId: string; name: string }>(person: P): P => ({
    ...person,
    name: names.get(person.participantId) ?? person.name,
  });
}
