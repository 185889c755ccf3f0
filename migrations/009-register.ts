import type { Knex } from 'knex';

/**
 * A register that can be corrected, and people who are cared for: excuses, bookings that end or pause, who
 * changed which mark, rules of streaks, programmes, practice at home, and people who are one or are gone.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table attendance drop constraint attendance_mark_check;
    alter table attendance drop constraint attendance_check;
    alter table attendance
      add constraint attendance_mark_check check (mark in ('here', 'late', 'absent', 'excused')),
      add constraint who_came_arrived check ((mark in ('here', 'late')) = (arrived_at is not null));

    -- A short name of a session, so that the marks of many people are read as one text a person.
    alter table sessions add column n bigint generated always as identity;

    alter table participants
      add column language text,
      add column left_on date,
      add column greet boolean not null default true,
      add column home_hash text unique;
    create index on participants (studio_id, lower(name));

    alter table bookings add column until timestamptz check (until >= since);

    create table pauses (
      id uuid primary key,
      studio_id uuid not null,
      participant_id uuid not null,
      from_date date not null,
      to_date date not null check (to_date >= from_date),
      created_at timestamptz not null,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on pauses (participant_id);

    create table attendance_changes (
      id uuid primary key,
      n bigint generated always as identity,
      studio_id uuid not null,
      session_id uuid not null,
      participant_id uuid not null,
      by_name text not null,
      at timestamptz not null,
      before jsonb,
      after jsonb,
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on attendance_changes (session_id);
    create index on attendance_changes (participant_id);

    create table former_people (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      now_id uuid,
      at timestamptz not null,
      foreign key (now_id, studio_id) references participants (id, studio_id) on delete set null (now_id)
    );
    create index on former_people (now_id);

    create table joined_people (
      id uuid primary key,
      studio_id uuid not null,
      kept_id uuid not null,
      before jsonb not null,
      at timestamptz not null,
      foreign key (kept_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on joined_people (kept_id);

    create table nameless_marks (
      studio_id uuid not null,
      session_id uuid not null,
      mark text not null,
      people integer not null check (people > 0),
      primary key (session_id, mark),
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade
    );

    alter table form_notes add column settled_at timestamptz;

    create table practice (
      id uuid primary key,
      studio_id uuid not null,
      participant_id uuid not null,
      at timestamptz not null,
      seconds integer check (seconds between 1 and 86400),
      by_teacher boolean not null,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on practice (participant_id, at);

    create table days_off (
      studio_id uuid not null,
      participant_id uuid not null,
      day date not null,
      primary key (participant_id, day),
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );

    create table streak_rules (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      class_id uuid,
      from_date date not null,
      rule jsonb not null,
      created_at timestamptz not null,
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade
    );
    create unique index streak_rules_one_a_day on streak_rules
      (studio_id, coalesce(class_id, '00000000-0000-0000-0000-000000000000'), from_date);

    create table home_classes (
      studio_id uuid not null,
      class_id uuid not null,
      participant_id uuid not null,
      given_at timestamptz not null,
      primary key (participant_id, class_id),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on home_classes (class_id);

    create table programmes (
      id uuid primary key,
      studio_id uuid not null references studios on delete cascade,
      name text not null,
      class_id uuid,
      home_class_id uuid,
      rule jsonb not null,
      weeks integer not null check (weeks between 1 and 104),
      created_at timestamptz not null,
      ended_on date,
      unique (id, studio_id),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete set null (class_id),
      foreign key (home_class_id, studio_id) references classes (id, studio_id) on delete set null (home_class_id)
    );
    create index on programmes (studio_id);

    create table enrolments (
      studio_id uuid not null,
      programme_id uuid not null,
      participant_id uuid not null,
      from_date date not null,
      until_date date check (until_date >= from_date),
      primary key (participant_id, programme_id),
      foreign key (programme_id, studio_id) references programmes (id, studio_id) on delete cascade,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );
    create index on enrolments (programme_id);

    alter table participants add column check_ins_consent_on date;
    create table check_ins (
      id uuid primary key,
      studio_id uuid not null,
      participant_id uuid not null,
      week integer not null check (week in (0, 2, 8, 20)),
      jaw integer not null check (jaw between 0 and 10),
      brow integer not null check (brow between 0 and 10),
      evenness integer not null check (evenness between 0 and 10),
      words text not null,
      at timestamptz not null,
      unique (participant_id, week),
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade
    );

    drop view session_people;
    drop view session_wishes;
    create view session_wishes as
      select s.studio_id, s.id as session_id, s.room_for, b.participant_id,
        coalesce(own.at, b.since) as at
      from sessions s
      join bookings b on b.class_id = s.class_id and b.since <= s.starts_at
        and (b.until is null or s.starts_at < b.until)
      left join session_bookings own
        on own.session_id = s.id and own.participant_id = b.participant_id
      where own.coming is distinct from false and (own.coming or not exists (
        select 1 from pauses p join studios on studios.id = p.studio_id
        where p.participant_id = b.participant_id
          and (s.starts_at at time zone studios.time_zone)::date between p.from_date and p.to_date
      ))
    union all
      select s.studio_id, s.id, s.room_for, own.participant_id, own.at
      from session_bookings own
      join sessions s on s.id = own.session_id
      where own.coming and not exists (
        select 1 from bookings b
        where b.class_id = s.class_id and b.participant_id = own.participant_id
          and b.since <= s.starts_at and (b.until is null or s.starts_at < b.until)
      );
    create view session_people as
      select w.*, case when w.room_for is null then true else (
        select count(*) from session_wishes before
        where before.session_id = w.session_id
          and (before.at, before.participant_id) < (w.at, w.participant_id)
      ) < w.room_for end as booked
      from session_wishes w;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop view session_people;
    drop view session_wishes;
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

    drop table check_ins, enrolments, programmes, home_classes;
    alter table participants drop column check_ins_consent_on;
    drop table streak_rules, days_off, practice, nameless_marks, joined_people, former_people,
      attendance_changes, pauses;
    alter table form_notes drop column settled_at;
    alter table bookings drop column until;
    alter table sessions drop column n;
    drop index participants_studio_id_lower_idx;
    alter table participants
      drop column language, drop column left_on, drop column greet, drop column home_hash;
    delete from attendance where mark = 'excused';
    alter table attendance
      drop constraint attendance_mark_check,
      drop constraint who_came_arrived,
      add constraint attendance_mark_check check (mark in ('here', 'late', 'absent')),
      add constraint attendance_check check ((mark = 'absent') = (arrived_at is null));
  `);
}
