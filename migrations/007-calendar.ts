import type { Knex } from 'knex';

/** Sessions that are planned ahead: series, closed spans, who leads them where, and a feed for each teacher. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table series (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      recurrence text not null,
      start_date date not null,
      created_at timestamptz not null,
      unique (id, studio_id)
    );

    create table closures (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      from_date date not null,
      to_date date not null check (to_date >= from_date),
      name text not null,
      created_at timestamptz not null,
      unique (id, studio_id)
    );
    create index on closures (studio_id, from_date);

    alter table sessions
      add column series_id uuid,
      add column occurrence text,
      add column teacher_id uuid,
      add column place text,
      add column link text,
      add column word text,
      add column closure_id uuid,
      add foreign key (series_id, studio_id) references series (id, studio_id) on delete set null (series_id),
      add foreign key (teacher_id, studio_id) references teachers (id, studio_id) on delete set null (teacher_id),
      add foreign key (closure_id, studio_id) references closures (id, studio_id) on delete set null (closure_id);
    create index on sessions (series_id);

    alter table teachers add column feed_hash text unique;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table teachers drop column feed_hash;
    alter table sessions
      drop column series_id, drop column occurrence, drop column teacher_id,
      drop column place, drop column link, drop column word, drop column closure_id;
    drop table closures, series;
  `);
}
