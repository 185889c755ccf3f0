import type { Knex } from 'knex';

/**
 * Letters that the mail server did not take are tried again. `about` are sessions, of which what a letter says is so
 * only while they have that status; `link_hash` is the link in it, which may be spent by then; `kept_as` is kept in place
 * of the body once it was sent.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table letters
      add column try_at timestamptz,
      add column tries integer not null default 0,
      add column until timestamptz,
      add column kept_as text,
      add column about uuid[] not null default '{}',
      add column about_status text,
      add column link_hash text;
    create index letters_to_try on letters (try_at) where try_at is not null;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table letters
      drop column try_at,
      drop column tries,
      drop column until,
      drop column kept_as,
      drop column about,
      drop column about_status,
      drop column link_hash;
  `);
}
