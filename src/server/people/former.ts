import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { found, type Scope } from '../scope';

/**
 * People who are no longer in the register under the id they had: joined with another, or erased. Logs that
 * were written before, and devices that have not heard of it, still name that id.
 */

/**
 * Who somebody is now: themselves, the person they were joined with, or null for who was erased.
 * @throws Refusal `not-found` for who never was in the studio
 */
export async function currentPerson(
  db: Db,
  { studioId }: Scope,
  id: string,
): Promise<string | null> {
  const person = await db('participants').where({ id, studio_id: studioId }).first('id');
  if (person) return id;
  const former = await db('former_people').where({ id, studio_id: studioId }).first('now_id');
  return found<{ now_id: string | null }>(former, 'participant').now_id;
}

/** The same, and null for who never was in the studio: logs of before may name anybody. */
export async function whoIsLeft(db: Db, scope: Scope, id: string): Promise<string | null> {
  try {
    return await currentPerson(db, scope, id);
  } catch (error) {
    if (error instanceof Refusal && error.code === 'not-found') return null;
    throw error;
  }
}

/** Whether an id was once somebody's. */
export async function wasPerson(db: Db, { studioId }: Scope, id: string): Promise<boolean> {
  return (await db('former_people').where({ id, studio_id: studioId }).first('id')) !== undefined;
}
