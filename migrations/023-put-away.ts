import type { Knex } from 'knex';

/** Classes that are not led any more are put away: they are in no list to choose from, and what they were stays. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table classes add column put_away_at timestamptz');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table classes drop column put_away_at');
}
