import type { Knex } from 'knex';

/** Films of classes: which there are and how far they are. Their pictures and sound are files. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table films (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      teacher_id uuid not null references teachers on delete cascade,
      class_id uuid not null references classes on delete cascade,
      class_version integer not null,
      name text not null,
      options jsonb not null,
      state text not null check (state in ('waiting', 'making', 'stopped', 'failed', 'done')),
      frames integer not null,
      frames_made integer not null default 0,
      bytes bigint,
      problem text,
      created_at timestamptz not null,
      beat_at timestamptz not null,
      done_at timestamptz
    );
    create index films_of_class on films (class_id, teacher_id, created_at);
    create index films_under_way on films (beat_at) where state in ('waiting', 'making');
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table films;');
}
