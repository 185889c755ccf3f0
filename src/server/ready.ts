import { migrationSource } from '@migrations';
import type { Db } from './db';

const NO_SUCH_TABLE = '42P01';

/** Why a process cannot serve now, in a word; null where it can. */
export async function isReady(db: Db): Promise<'no-database' | 'schema-behind' | null> {
  const known = await migrationSource.getMigrations([]);
  const names = known.map((migration) => migrationSource.getMigrationName(migration));
  try {
    const done = await db('knex_migrations').pluck('name');
    return names.every((name) => done.includes(name)) ? null : 'schema-behind';
  } catch (error) {
    if ((error as { code?: string }).code === NO_SUCH_TABLE) return 'schema-behind';
    // Whatever it is, the database does not answer as it should; whoever asks asks again.
    return 'no-database';
  }
}
