import type { Knex } from 'knex';
import * as start from './001-start';
import * as moves from './002-moves';

const MIGRATIONS = [
  { name: '001-start', ...start },
  { name: '002-moves', ...moves },
];
type Migration = (typeof MIGRATIONS)[number];

/** Migrations are imported, not read from a folder, so that every bundler and runner sees the same list. */
export const migrationSource: Knex.MigrationSource<Migration> = {
  getMigrations: async () => MIGRATIONS,
  getMigrationName: (migration) => migration.name,
  getMigration: async (migration) => migration,
};
