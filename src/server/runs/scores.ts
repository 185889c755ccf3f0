import { createHash } from 'node:crypto';
import type { Db } from '../db';
import { announce } from '../live/hub';
import { found, type Scope } from '../scope';
import { log } from '../watch/log';

/**
 * What a session is made ready with. Two devices may make it ready, with other voices or at another rate, and each leads
 * by what it has: until it begins the ones before are kept, and what begins it says which.
 */

/** How many a run keeps besides the newest: a class is seldom made ready on more devices than two. */
export const MOST_BEFORE = 8;

const OF_SCORES = ['prepared', 'score', 'easier', 'follow', 'led_by', 'made_of'] as const;

/** What a class was made ready with, each as JSON. */
export interface Made {
  sessionId: string;
  now: number;
  score: string;
  easier: string;
  follow: string;
  /** In whose voice it is said to those who follow. */
  ledBy: string | null;
}

/** Keeps what a session was made ready with, under a number of its own where it is another one; nothing once it has begun. */
export async function keepScores(
  db: Db,
  { studioId }: Scope,
  { sessionId, now, score, easier, follow, ledBy }: Made,
): Promise<void> {
  const hash = createHash('sha256');
  for (const part of [score, easier, follow, ledBy ?? '']) hash.update(part).update('\0');
  const made_of = hash.digest('hex');
  await db.transaction(async (trx) => {
    const row = await trx('runs')
      .where({ session_id: sessionId, studio_id: studioId })
      .forUpdate()
      .first('id', 'started_at', 'made_of');
    const run = found<{ id: string; started_at: Date | null; made_of: string | null }>(row, 'run');
    if (run.started_at || run.made_of === made_of) return;
    const before = trx('runs')
      .where({ id: run.id })
      .whereNotNull('score')
      .select('studio_id', 'id', ...OF_SCORES, trx.raw('?::timestamptz', [new Date(now)]));
    await trx
      .into(
        trx.raw('scores_before (studio_id, run_id, ??, ??, ??, ??, ??, ??, kept_at)', OF_SCORES),
      )
      .insert(before);
    await trx('runs')
      .where({ id: run.id })
      .update({
        ...{ score, easier, follow, led_by: ledBy, made_of },
        prepared: trx.raw('prepared + 1'),
      });
    const newest = trx('scores_before')
      .where({ run_id: run.id })
      .orderBy('prepared', 'desc')
      .limit(MOST_BEFORE)
      .select('prepared');
    await trx('scores_before').where({ run_id: run.id }).whereNotIn('prepared', newest).delete();
    await announce(trx, run.id);
  });
}

/**
 * The session begins with one of those it was made ready with, which is led from now on, also where another was made
 * after it; the others are forgotten.
 * @param made its number; the newest where nothing is said
 */
export async function beginWith(trx: Db, runId: string, made: number | undefined): Promise<void> {
  if (made !== undefined) {
    const { rowCount } = await trx.raw(
      `update runs set prepared = b.prepared, score = b.score, easier = b.easier, follow = b.follow,
         led_by = b.led_by, made_of = b.made_of
       from scores_before b where runs.id = :runId and b.run_id = runs.id and b.prepared = :made
         and runs.prepared <> :made`,
      { runId, made },
    );
    if (rowCount > 0) await announce(trx, runId);
    else {
      const { prepared } = await trx('runs').where({ id: runId }).first('prepared');
      if (prepared !== made)
        log().warn({ runId, made, prepared }, 'a class began with what is not known');
    }
  }
  await trx('scores_before').where({ run_id: runId }).delete();
}
