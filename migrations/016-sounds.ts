import type { Knex } from 'knex';

/** How a studio wants some words said, and what a teacher wants heard besides words: counts, bells, a softer close. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table said_words (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      language text not null,
      written text not null,
      said text not null,
      created_at timestamptz not null
    );
    create unique index said_words_once on said_words (studio_id, language, lower(written));

    alter table teachers add column sounds jsonb not null default '{}';
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table teachers drop column sounds; drop table said_words;');
}
