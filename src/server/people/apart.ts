import { z } from 'zod';
import { grouped } from '@/core/collections';
import { plainName, toldApart } from '@/core/people';
import type { Db } from '../db';
import type { Scope } from '../scope';

/** Somebody of the register. */
export interface Named {
  id: string;
  name: string;
}

/** With the name by which they are told from others of their name: it is to be read, never stored. */
export interface Apart extends Named {
  shown: string;
}

const timesSchema = z.object({ participant_id: z.uuid(), times: z.number() });

/** Tells people of one name apart, by how often they have come (`toldApart`). */
export async function apart<P extends Named>(
  db: Db,
  { studioId }: Scope,
  people: readonly P[],
): Promise<(P & Apart)[]> {
  const same = [...grouped(people, ({ name }) => plainName(name)).values()];
  const namesakes = same.filter((all) => all.length > 1).flat();
  const times = new Map<string, number>();
  if (namesakes.length > 0) {
    const rows = await db('attendance as a')
      .join('sessions as s', 's.id', 'a.session_id')
      .where({ 'a.studio_id': studioId, 's.status': 'held' })
      .whereNotNull('a.arrived_at')
      .whereIn(
        'a.participant_id',
        namesakes.map((p) => p.id),
      )
      .groupBy('a.participant_id')
      .select('a.participant_id', db.raw('count(*)::int as times'));
    for (const row of z.array(timesSchema).parse(rows)) times.set(row.participant_id, row.times);
  }
  const told = toldApart(
    people.map(({ id, name }) => ({ id, name, timesBefore: times.get(id) ?? 0 })),
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
