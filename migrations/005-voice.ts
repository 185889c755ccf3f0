import type { Knex } from 'knex';

/** How a teacher is heard: a choice of voice, recordings of their own, and how much they talk. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table teachers
      add column voice text not null default 'plain',
      add column own_voice boolean not null default true,
      add constraint teachers_in_studio unique (id, studio_id);

    update runs set
      score = score || '{"talkingFactor": 1}'::jsonb,
      easier = easier || '{"talkingFactor": 1}'::jsonb;

    create table recordings (
      id uuid primary key,
      studio_id uuid not null,
      teacher_id uuid not null,
      language text not null,
      text text not null,
      wav bytea not null,
      ms integer not null check (ms > 0),
      recorded_at timestamptz not null,
      unique (teacher_id, language, text),
      foreign key (teacher_id, studio_id) references teachers (id, studio_id) on delete cascade
    );

    create table talk_samples (
      session_id uuid primary key,
      studio_id uuid not null,
      teacher_id uuid not null,
      cues_ms integer not null check (cues_ms > 0),
      taken_ms integer not null check (taken_ms > 0),
      led_at timestamptz not null,
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade,
      foreign key (teacher_id, studio_id) references teachers (id, studio_id) on delete cascade
    );
    create index on talk_samples (teacher_id, led_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table talk_samples, recordings;
    alter table teachers
      drop constraint teachers_in_studio, drop column voice, drop column own_voice;
  `);
}
