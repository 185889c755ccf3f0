import type { Knex } from 'knex';

/**
 * Who comes to one session: those booked on its class, whoever is booked for it alone, without those who said
 * that they cannot come. Where a session has room for so many only, the others wait in the order in which they
 * were booked; that is worked out, not stored, so whoever waits moves up by themselves.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table sessions add column room_for integer check (room_for between 1 and 500);
    create index on sessions (class_id, starts_at);

    create table session_bookings (
      studio_id uuid not null,
      session_id uuid not null,
      participant_id uuid not null,
      coming boolean not null,
      at timestamptz not null,
      primary key (session_id, participant_id),
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on session_bookings (participant_id);

    create view session_wishes as
      select s.studio_id, s.id as session_id, s.room_for, b.participant_id,
        coalesce(own.at, b.since) as at
      from sessions s
      join bookings b on b.class_id = s.class_id and b.since <= s.starts_at
      left join session_bookings own
        on own.session_id = s.id and own.participant_id = b.participant_id
      where own.coming is distinct from false
    union all
      select s.studio_id, s.id, s.room_for, own.participant_id, own.at
      from session_bookings own
      join sessions s on s.id = own.session_id
      where own.coming and not exists (
        select 1 from bookings b
        where b.class_id = s.class_id and b.participant_id = own.participant_id
          and b.since <= s.starts_at
      );

    create view session_people as
      select w.*, case when w.room_for is null then true else (
        select count(*) from session_wishes before
        where before.session_id = w.session_id
          and (before.at, before.participant_id) < (w.at, w.participant_id)
      ) < w.room_for end as booked
      from session_wishes w;

    alter table participants add column feed_hash text unique;
    alter table form_notes add column seen_at timestamptz;

    create table answered_questions (
      studio_id uuid not null,
      run_id uuid not null,
      event_id uuid not null,
      answered_at timestamptz not null,
      primary key (run_id, event_id),
      foreign key (run_id, studio_id) references runs (id, studio_id) on delete cascade
    );
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table answered_questions;
    alter table form_notes drop column seen_at;
    alter table participants drop column feed_hash;
    drop view session_people;
    drop view session_wishes;
    drop table session_bookings;
    drop index sessions_class_id_starts_at_idx;
    alter table sessions drop column room_for;
  `);
}
