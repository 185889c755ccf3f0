import type { Knex } from 'knex';
import { expect, vi } from 'vitest';
import type { Db } from '../db';

/**
 * Waits until somebody waits for what a transaction holds.
 * @param isOver says that nobody will, since what could wait is done
 */
export async function untilAwaited(
  db: Db,
  trx: Knex.Transaction,
  isOver = () => false,
): Promise<void> {
  const { rows } = await trx.raw('select pg_backend_pid() as pid');
  await vi.waitFor(async () => {
    // Asked outside it, where what is seen of others goes on.
    const waiting = await db.raw(
      'select pid from pg_stat_activity where ?::int = any(pg_blocking_pids(pid))',
      [rows[0].pid],
    );
    expect(isOver() || waiting.rows.length > 0).toBe(true);
  }, 60_000);
}
