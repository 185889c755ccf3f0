import type { Knex } from 'knex';

/** Moves of a studio's own; the built-in ones are not in the database. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table moves (
      studio_id uuid not null references studios on delete cascade,
      id text not null,
      move jsonb not null,
      updated_at timestamptz not null,
      primary key (studio_id, id)
    );
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table moves;');
}
