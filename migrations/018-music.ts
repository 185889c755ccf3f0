import type { Knex } from 'knex';

/** Music of a studio's own, as it is played: an MP3 file for each piece. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table music (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      name text not null check (char_length(name) between 1 and 80),
      ms integer not null check (ms > 0),
      added_at timestamptz not null,
      sound bytea not null
    );
    create index music_of_studio on music (studio_id, added_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table music;');
}
