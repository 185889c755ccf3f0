import { Refusal } from '@/core/calls';
import { hasPlace } from '../classes/classes';
import type { Db } from '../db';
import { FilmFolder } from '../film/folder';
import { found, type Scope } from '../scope';

/** Classes that are not led any more: put away, brought back, or removed for good where they never met. */

/** Most classes that a studio has put away. */
export const MOST_PUT_AWAY = 2000;

/** Which class, and when, epoch ms. */
export interface PuttingAway {
  classId: string;
  now: number;
}

/** Waits for whoever changes a class just now, and lets nobody plan it until this is done. @returns its name */
async function held(trx: Db, { studioId }: Scope, id: string): Promise<string> {
  const row = await trx('classes')
    .where({ id, studio_id: studioId })
    .forUpdate()
    .first(trx.raw("plan->>'name' as name"));
  return found<{ name: string }>(row, 'class').name;
}

/**
 * Puts a class away: it is in no list to choose from any more, and what it was stays. Twice is once.
 * @throws Refusal `not-found`; `class-still-meets` where it has sessions to come or one that is not closed;
 * `too-many-put-away`
 */
export async function putAway(db: Db, scope: Scope, { classId, now }: PuttingAway): Promise<void> {
  const { studioId } = scope;
  await db.transaction(async (trx) => {
    const name = await held(trx, scope, classId);
    const meets = await trx('sessions as s')
      .where({ 's.class_id': classId, 's.studio_id': studioId, 's.status': 'planned' })
      .where((either) =>
        either
          .where('s.starts_at', '>', new Date(now))
          .orWhereExists(
            trx('runs').whereRaw('runs.session_id = s.id').whereNotNull('runs.started_at'),
          ),
      )
      .first('s.id');
    if (meets) throw new Refusal('class-still-meets', name);
    const away = trx('classes').where({ studio_id: studioId }).whereNotNull('put_away_at');
    const { n } = await away.first(trx.raw('count(*)::int as n'));
    if (n >= MOST_PUT_AWAY) throw new Refusal('too-many-put-away', String(MOST_PUT_AWAY));
    await trx('classes')
      .where({ id: classId })
      .whereNull('put_away_at')
      .update({ put_away_at: new Date(now) });
  });
}

/** Brings a class back that was put away. @throws Refusal `not-found`, `too-many-classes` */
export async function bringBack(db: Db, scope: Scope, classId: string): Promise<void> {
  await db.transaction(async (trx) => {
    await held(trx, scope, classId);
    await hasPlace(trx, scope);
    await trx('classes').where({ id: classId }).update({ put_away_at: null });
  });
}

/**
 * Removes a class for good that is put away and never met, with its versions, bookings and films.
 * @throws Refusal `not-found`; `class-has-past` where it has sessions, is done at home or is of a programme
 */
export async function removeClass(db: Db, scope: Scope, classId: string): Promise<void> {
  const films = await db.transaction(async (trx) => {
    const name = await held(trx, scope, classId);
    const of = { class_id: classId, studio_id: scope.studioId };
    const known =
      (await trx('sessions').where(of).first('class_id')) ??
      (await trx('home_classes').where(of).first('class_id')) ??
      (await trx('programmes')
        .where({ studio_id: scope.studioId })
        .where((either) => either.where({ class_id: classId }).orWhere({ home_class_id: classId }))
        .first('id'));
    if (known) throw new Refusal('class-has-past', name);
    const ids: string[] = await trx('films').where({ class_id: classId }).pluck('id');
    const gone = await trx('classes').where({ id: classId }).whereNotNull('put_away_at').delete();
    if (gone === 0) throw new Refusal('not-found', 'class that is put away');
    return ids;
  });
  await Promise.all(films.map((id) => new FilmFolder(id).remove()));
}
