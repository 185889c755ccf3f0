import type { Knex } from 'knex';

/**
 * Every row carries its studio. References between studio-owned rows name the studio as well, so
 * that the database itself refuses to tie one studio's row to another's.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table studios (
      id uuid primary key,
      name text not null,
      time_zone text not null,
      is_demo boolean not null default false,
      created_at timestamptz not null
    );

    create table teachers (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      email text not null unique check (email = lower(email)),
      name text not null,
      password_hash text not null,
      created_at timestamptz not null
    );

    create table sign_ins (
      id uuid primary key,
      teacher_id uuid not null references teachers on delete cascade,
      token_hash text not null unique,
      created_at timestamptz not null,
      expires_at timestamptz not null,
      revoked_at timestamptz
    );
    create index on sign_ins (teacher_id);

    create table sign_in_attempts (
      id bigint generated always as identity primary key,
      key text not null,
      at timestamptz not null
    );
    create index on sign_in_attempts (key, at);

    create table classes (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      plan jsonb not null,
      version integer not null default 1,
      created_at timestamptz not null,
      updated_at timestamptz not null,
      unique (id, studio_id)
    );

    create table participants (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      name text not null,
      contact text,
      joined_on date not null,
      created_at timestamptz not null,
      unique (id, studio_id)
    );

    create table bookings (
      studio_id uuid not null,
      class_id uuid not null,
      participant_id uuid not null,
      since timestamptz not null,
      primary key (class_id, participant_id),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on bookings (participant_id);

    create table sessions (
      id uuid primary key,
      studio_id uuid not null,
      class_id uuid not null,
      starts_at timestamptz not null,
      status text not null check (status in ('planned', 'held', 'cancelled')),
      created_at timestamptz not null,
      unique (id, studio_id),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade
    );
    create index on sessions (studio_id, starts_at);

    create table attendance (
      studio_id uuid not null,
      session_id uuid not null,
      participant_id uuid not null,
      mark text not null check (mark in ('here', 'late', 'absent')),
      arrived_at timestamptz,
      left_at timestamptz,
      primary key (session_id, participant_id),
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade,
      check ((mark = 'absent') = (arrived_at is null))
    );
    create index on attendance (participant_id);

    create table runs (
      id uuid primary key,
      studio_id uuid not null,
      session_id uuid not null unique,
      score jsonb not null,
      started_at timestamptz,
      finished_at timestamptz,
      created_at timestamptz not null,
      unique (id, studio_id),
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade
    );

    create table run_events (
      studio_id uuid not null,
      run_id uuid not null,
      seq integer not null,
      id uuid not null,
      at_ms bigint not null,
      type text not null,
      data jsonb not null,
      received_at timestamptz not null,
      primary key (run_id, seq),
      unique (run_id, id),
      foreign key (run_id, studio_id) references runs (id, studio_id) on delete cascade
    );
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table run_events, runs, attendance, sessions, bookings, participants, classes,
      sign_in_attempts, sign_ins, teachers, studios;
  `);
}
