import type { Knex } from 'knex';

/**
 * A session may be followed: its door has a code for a while, and whoever came in by it is a follower, with or without a
 * name. A run keeps what leaves for its followers, made when the class was made ready, how often that was, and in whose
 * voice it is said.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table follow_doors (
      session_id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      code text not null unique,
      opened_at timestamptz not null,
      shut_at timestamptz,
      ends_at timestamptz not null,
      unique (session_id, studio_id),
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade
    );
    create index on follow_doors (ends_at);

    create table followers (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      session_id uuid not null,
      token_hash text not null unique,
      name text,
      participant_id uuid,
      joined_at timestamptz not null,
      seen_at timestamptz not null,
      turned_away_at timestamptz,
      asked integer not null default 0,
      foreign key (session_id, studio_id) references follow_doors (session_id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id)
        on delete set null (participant_id)
    );
    create index on followers (session_id);
    create index on followers (participant_id);

    alter table runs
      add column follow jsonb,
      add column prepared integer not null default 0,
      add column led_by uuid,
      add foreign key (led_by, studio_id) references teachers (id, studio_id)
        on delete set null (led_by);
    alter table classes add column take_home boolean not null default false;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table followers;
    drop table follow_doors;
    alter table runs drop column follow, drop column prepared, drop column led_by;
    alter table classes drop column take_home;
  `);
}
