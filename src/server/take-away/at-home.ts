import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { carriedAtHome } from '../people/home';
import type { HomeOwner } from '../people/practice';
import { found } from '../scope';
import type { SentFile } from '../with-folder';
import { classAudio } from './audio';
import { wordedClass } from './worded';

export interface AskedAtHome {
  classId: string;
  as: 'mp3' | 'wav';
  ticket?: string;
  signal: AbortSignal;
}

/**
 * A class that somebody was given to do at home, as they may do it, as sound in the voice of their studio's owner.
 * @throws Refusal `not-found` where they have no such class; `nothing-left`; and as `classAudio` does
 */
export async function homeAudio(
  db: Db,
  owner: HomeOwner,
  { classId, ...asked }: AskedAtHome,
): Promise<SentFile> {
  const { studioId, participantId } = owner;
  const cautions = await carriedAtHome(db, owner, { participantId, classId });
  const row = await db('teachers')
    .where({ studio_id: studioId, role: 'owner' })
    .orderBy('created_at')
    .first('id');
  const { id } = found(row, 'teacher');
  const teacher = { id, studioId };
  try {
    const theirs = { counts: true, by: participantId, atHome: true };
    const worded = () => wordedClass(db, teacher, classId, { cautions });
    return await classAudio(db, teacher, worded, { ...asked, ...theirs });
  } catch (problem) {
    const empty = problem instanceof Refusal && problem.code === 'empty-class';
    throw empty ? new Refusal('nothing-left') : problem;
  }
}
