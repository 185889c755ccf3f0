import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { plainName } from '@/core/people';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { book, MOST_PEOPLE, newParticipantSchema } from './people';

/** Many people at once, from a list that somebody has. */

export const takenSchema = z
  .array(
    newParticipantSchema.extend({
      /** Made by the page: where its answer was lost and it asks again, nobody is taken in twice. */
      id: z.uuid(),
    }),
  )
  .min(1)
  .max(2000);

/** Somebody of a list who may be on the register already. */
export interface Known {
  id: string;
  name: string;
  contact: string | null;
}

/** For each of some people, whom the register has by that name or contact; null for nobody. */
export async function knownAmong(
  db: Db,
  { studioId }: Scope,
  people: readonly { name: string; contact: string }[],
): Promise<(Known | null)[]> {
  const rows: Known[] = await db('participants')
    .where({ studio_id: studioId })
    .select('id', 'name', 'contact');
  const byContact = new Map(
    rows.flatMap((r) => (r.contact ? [[r.contact.toLowerCase(), r] as const] : [])),
  );
  const byName = new Map(rows.map((r) => [plainName(r.name), r]));
  return people.map(
    ({ name, contact }) =>
      byContact.get(contact.toLowerCase()) ?? byName.get(plainName(name)) ?? null,
  );
}

/**
 * Takes people in, all of them or none, and books them on a class where one is named. Who is in by that id is left as
 * they are.
 * @returns their ids
 * @throws Refusal `too-many-people`, `not-found` where the class is not the studio's
 */
export async function takePeopleIn(
  db: Db,
  scope: Scope,
  {
    people,
    classId = null,
    joinedOn,
    now,
  }: {
    people: z.output<typeof takenSchema>;
    classId?: string | null;
    joinedOn: string;
    now: number;
  },
): Promise<string[]> {
  const { studioId } = scope;
  return db.transaction(async (trx) => {
    await trx('studios').where({ id: studioId }).forUpdate().select('id');
    const there: { id: string; studio_id: string }[] = await trx('participants')
      .whereIn(
        'id',
        people.map((p) => p.id),
      )
      .select('id', 'studio_id');
    const isIn = new Set(there.flatMap((p) => (p.studio_id === studioId ? p.id : [])));
    // An id that is taken elsewhere is answered as any other: nobody learns who is in another studio.
    const elsewhere = new Set(there.flatMap((p) => (p.studio_id === studioId ? [] : p.id)));
    const all = people.map((p) => (elsewhere.has(p.id) ? { ...p, id: randomUUID() } : p));
    const fresh = all.filter((p) => !isIn.has(p.id));
    const [kept] = await trx('participants').where({ studio_id: studioId }).count();
    if (Number(kept?.count) + fresh.length > MOST_PEOPLE) {
      throw new Refusal('too-many-people', String(MOST_PEOPLE));
    }
    const about = { studio_id: studioId, joined_on: joinedOn, created_at: new Date(now) };
    await trx.batchInsert(
      'participants',
      fresh.map((person) => ({ ...person, ...about })),
      500,
    );
    if (classId !== null) {
      for (const { id } of all) await book(trx, scope, { participantId: id, classId, now });
    }
    return all.map((p) => p.id);
  });
}

/**
 * Takes people out again who were taken in by a slip: those of whom nothing is known yet but what they are booked on.
 * @returns how many went
 */
export async function takePeopleOut(
  db: Db,
  { studioId }: Scope,
  ids: readonly string[],
): Promise<number> {
  return db('participants as p')
    .where({ 'p.studio_id': studioId })
    .whereIn('p.id', [...ids])
    .whereRaw(`not exists (select from attendance a where a.participant_id = p.id)
      and not exists (select from form_notes n where n.participant_id = p.id)
      and not exists (select from practice q where q.participant_id = p.id)
      and p.cautions = '[]'`)
    .delete();
}
