import type { Knex } from 'knex';

/** Voices of the device that leads a class: which ones a teacher chose, and how long each text took them. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table teachers add column device_voices jsonb not null default '{}';
    create table device_lengths (
      studio_id uuid not null references studios on delete cascade,
      teacher_id uuid not null references teachers on delete cascade,
      voice text not null check (char_length(voice) between 1 and 120),
      language text not null,
      words_per_minute integer not null,
      text text not null check (char_length(text) <= 1000),
      ms integer not null check (ms > 0),
      measured_at timestamptz not null
    );
    create unique index device_lengths_of on device_lengths
      (teacher_id, voice, language, words_per_minute, md5(text));
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table device_lengths; alter table teachers drop column device_voices;');
}
