import { randomUUID } from 'node:crypto';
import { addDays, type Closure, instantsOf } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { found, type Scope } from '../scope';
import { holdSessions } from '../sessions/sessions';

/** Most closures that a studio has. */
export const MOST_CLOSURES = 200;

/**
 * Closes the studio for some days: what is planned in them and has not begun is cancelled, and belongs to the
 * closure.
 * @returns its id, and the sessions that it cancelled
 * @throws Refusal `too-many-closures`
 */
export async function closeFor(
  db: Db,
  { studioId }: Scope,
  { closure, zone, now }: { closure: Closure; zone: string; now: number },
): Promise<{ id: string; cancelled: string[] }> {
  const { from, to, name } = closure;
  return db.transaction(async (trx) => {
    const rows = await trx('closures').where({ studio_id: studioId }).count();
    if (Number(rows[0]?.count) >= MOST_CLOSURES) {
      throw new Refusal('too-many-closures', String(MOST_CLOSURES));
    }
    const id = randomUUID();
    await trx('closures').insert({
      id,
      studio_id: studioId,
      from_date: from,
      to_date: to,
      name,
      created_at: new Date(now),
    });
    const within = () =>
      trx('sessions')
        .where({ studio_id: studioId, status: 'planned' })
        .where('starts_at', '>=', startOf(from, zone))
        .where('starts_at', '<', startOf(addDays(to, 1), zone));
    await holdSessions(trx, { studioId }, await within().pluck('id'));
    const cancelled = await within()
      .whereNotExists(
        trx('runs')
          .whereRaw('runs.session_id = sessions.id')
          .whereNotNull('runs.started_at')
          .select(trx.raw('1')),
      )
      .update({ status: 'cancelled', closure_id: id })
      .returning('id');
    return { id, cancelled: cancelled.map((session) => session.id) };
  });
}

/** The first instant of a day. Where the clocks jump over midnight it is the first that there is. */
function startOf(date: string, zone: string): Date {
  for (let minutes = 0; minutes < 180; minutes += 15) {
    const time = new Date(minutes * 60_000).toISOString().slice(11, 16);
    const [first] = instantsOf(`${date}T${time}`, zone);
    if (first !== undefined) return new Date(first);
  }
  throw new Error(`No clock in ${zone} shows the beginning of ${date}.`);
}

/**
 * Takes a closure back; what it had cancelled is planned again, but for classes that were put away since.
 * @returns the sessions that are planned again
 * @throws Refusal `not-found`
 */
export async function reopen(db: Db, { studioId }: Scope, id: string): Promise<string[]> {
  return db.transaction(async (trx) => {
    const row = await trx('closures').where({ id, studio_id: studioId }).first('name');
    const { name } = found<{ name: string }>(row, 'closure');
    const cancelled = () =>
      trx('sessions').where({ closure_id: id, studio_id: studioId, status: 'cancelled' });
    const again = await cancelled()
      .whereIn(
        'class_id',
        trx('classes').where({ studio_id: studioId, put_away_at: null }).select('id'),
      )
      .update({ status: 'planned', closure_id: null })
      .returning('id');
    await cancelled().update({ word: name });
    await trx('closures').where({ id, studio_id: studioId }).delete();
    return again.map((session) => session.id);
  });
}
