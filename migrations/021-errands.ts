import type { Knex } from 'knex';

/** What a form asked to be made, by the id it sent along: sent again, since its answer was lost, it is made once. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table errands (
      studio_id uuid not null references studios on delete cascade,
      id uuid not null,
      at timestamptz not null,
      answer jsonb,
      primary key (studio_id, id)
    );
    create index errands_by_age on errands (studio_id, at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table errands');
}
