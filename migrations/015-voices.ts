import type { Knex } from 'knex';

/** A teacher may be heard in another voice in each language. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw("alter table teachers add column voices jsonb not null default '{}'");
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table teachers drop column voices');
}
