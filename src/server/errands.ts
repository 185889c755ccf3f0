import type { z } from 'zod';
import type { Db } from './db';
import type { Scope } from './scope';

/** How long it is known what became of an errand: longer than anybody presses the same button again. */
export const ERRAND_KEPT_MS = 24 * 3_600_000;
/** Most errands that are known of a studio; of more, the oldest are forgotten sooner. */
export const MOST_ERRANDS = 1000;

export interface Errand {
  /** As the page sent it; none where it runs no script. */
  errand?: string | undefined;
  now: number;
}

/**
 * Does something once for each errand, with all that belongs to it or not at all. Whoever asks again, since they had no
 * answer, is answered as the first time, also while that is still under way.
 * @param work does it within the given transaction
 * @throws what `work` throws; it was not done then, and may be asked for again
 */
export async function once<T>(
  db: Db,
  { studioId }: Scope,
  { errand, now }: Errand,
  answers: z.ZodType<T>,
  work: (trx: Db) => Promise<T>,
): Promise<T> {
  return db.transaction(async (trx) => {
    if (errand === undefined) return work(trx);
    const of = { studio_id: studioId, id: errand };
    const mine = await trx('errands')
      .insert({ ...of, at: new Date(now) })
      .onConflict(['studio_id', 'id'])
      .ignore()
      .returning('id');
    if (mine.length === 0) return answers.parse((await trx('errands').where(of).first()).answer);
    const answer = await work(trx);
    await trx('errands')
      .where(of)
      .update({ answer: JSON.stringify(answer) });
    await forgetOld(trx, { studioId, now });
    return answer;
  });
}

async function forgetOld(db: Db, { studioId, now }: Scope & { now: number }): Promise<void> {
  const known = () => db('errands').where({ studio_id: studioId });
  await known()
    .where('at', '<', new Date(now - ERRAND_KEPT_MS))
    .delete();
  await known()
    .whereIn('id', known().orderBy('at', 'desc').orderBy('id').offset(MOST_ERRANDS).select('id'))
    .delete();
}
