import type { Knex } from 'knex';

/** A studio of one's own: settings, roles, links that work once, and the letters it has written. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table studios
      add column new_class jsonb,
      add column keep_runs_months integer check (keep_runs_months between 1 and 120),
      add column keep_recordings_months integer check (keep_recordings_months between 1 and 120);

    alter table teachers
      add column role text not null default 'owner' check (role in ('owner', 'teacher'));

    create table links (
      id uuid primary key,
      kind text not null check (kind in ('begin', 'join', 'reset')),
      token_hash text not null unique,
      studio_id uuid references studios on delete cascade,
      teacher_id uuid references teachers on delete cascade,
      email text,
      role text check (role in ('owner', 'teacher')),
      created_at timestamptz not null,
      expires_at timestamptz not null,
      used_at timestamptz
    );
    create index on links (studio_id);

    create table letters (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      recipient text not null,
      subject text not null,
      body text not null,
      written_at timestamptz not null,
      sent_at timestamptz,
      trouble text
    );
    create index on letters (studio_id, written_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table letters, links;
    alter table teachers drop column role;
    alter table studios
      drop column new_class, drop column keep_runs_months, drop column keep_recordings_months;
  `);
}
