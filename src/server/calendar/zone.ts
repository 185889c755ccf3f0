import { localOf, moved } from '@/core/calendar';
import type { Db } from '../db';
import { found, type Scope } from '../scope';

/**
 * Gives a studio another time zone. Sessions to come stay at the time that the clock on the wall shows, which is what
 * whoever planned them typed and whoever comes was told; what has begun or is past stays the moment that it was.
 * @param now epoch ms
 * @returns how many sessions are at another moment now
 */
export async function changeZone(
  db: Db,
  { studioId }: Scope,
  { zone, now }: { zone: string; now: number },
): Promise<number> {
  return db.transaction(async (trx) => {
    const studio = () => trx('studios').where({ id: studioId });
    const row = await studio().forUpdate().first('time_zone');
    const { time_zone: before } = found<{ time_zone: string }>(row, 'studio');
    if (before === zone) return 0;
    await studio().update({ time_zone: zone });
    const rows = await trx('sessions')
      .where({ studio_id: studioId })
      .whereIn('status', ['planned', 'cancelled'])
      .where('starts_at', '>', new Date(now))
      .whereNotExists(
        trx('runs').whereRaw('runs.session_id = sessions.id').whereNotNull('runs.started_at'),
      )
      .forUpdate()
      .select('id', 'starts_at');
    const at = rows.map((row) => {
      const local = localOf(row.starts_at.getTime(), before);
      return new Date(moved(local, { days: 0, time: local.slice(11) }, zone));
    });
    await trx.raw(
      `update sessions set starts_at = other.at
       from unnest(?::uuid[], ?::timestamptz[]) as other (id, at)
       where sessions.id = other.id and sessions.studio_id = ?`,
      [rows.map((row) => row.id), at, studioId],
    );
    return rows.length;
  });
}
