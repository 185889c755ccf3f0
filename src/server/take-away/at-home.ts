import type { Readable } from 'node:stream';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { carriedAtHome } from '../people/home';
import type { HomeOwner } from '../people/practice';
import { found } from '../scope';
import { classAudio } from './audio';
import { wordedClass } from './worded';

/** All who are at home wait for one turn: whoever leads classes has another. */
const AT_HOME = 'at home';

/**
 * A class that somebody was given to do at home, as they may do it, as sound in the voice of their studio's owner.
 * @throws Refusal `not-found` where they have no such class; `nothing-left`; and as `classAudio` does
 */
export async function homeAudio(
  db: Db,
  owner: HomeOwner,
  { classId, as, signal }: { classId: string; as: 'mp3' | 'wav'; signal: AbortSignal },
): Promise<{ stream: Readable; bytes: number | null }> {
  const { studioId, participantId } = owner;
  const cautions = await carriedAtHome(db, owner, { participantId, classId });
  const row = await db('teachers')
    .where({ studio_id: studioId, role: 'owner' })
    .orderBy('created_at')
    .first('id');
  const { id } = found(row, 'teacher');
  const teacher = { id, studioId };
  try {
    const worded = await wordedClass(db, teacher, classId, { cautions });
    return await classAudio(db, teacher, worded, { as, counts: true, by: AT_HOME, signal });
  } catch (problem) {
    const empty = problem instanceof Refusal && problem.code === 'empty-class';
    throw empty ? new Refusal('nothing-left') : problem;
  }
}
