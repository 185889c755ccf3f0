import type { Knex } from 'knex';
import * as start from './001-start';

const MIGRATIONS = [{ name: '001-start', ...start }];
type Migration = (typeof MIGRATIONS)[number];

/** Migrations are imported, not read from a folder, so that every bundler and runner sees the same list. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => MIGRATIONS,
  getMigrationName: (migration) => migration.name,
  getMigration: async (migration) => migration,
};
