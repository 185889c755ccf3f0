import type { Knex } from 'knex';

/**
 * Whoever comes back to a session after others took their place stands at the end of the line, also where they come back by
 * their booking on its class: booked again (`back_at`), or with a pause taken back (a row of `session_bookings` that
 * says nothing of coming, only since when they are in line).
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table bookings add column back_at timestamptz;
    alter table session_bookings alter column coming drop not null;

    -- Who said no to a session of their class and then yes again stands there by their booking.
    update session_bookings own set coming = null
      from sessions s
      join studios on studios.id = s.studio_id
      join bookings b on b.class_id = s.class_id
      where own.coming and s.id = own.session_id and b.participant_id = own.participant_id and b.since < own.at
        and b.since <= s.starts_at and (b.until is null or s.starts_at < b.until)
        and not exists (
          select 1 from pauses p where p.participant_id = b.participant_id
            and (s.starts_at at time zone studios.time_zone)::date between p.from_date and p.to_date
        );

    create or replace view session_wishes as
      select s.studio_id, s.id as session_id, s.room_for, b.participant_id,
        case when own.coming then own.at else greatest(b.since, b.back_at, own.at) end as at
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
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    create or replace view session_wishes as
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
    update session_bookings set coming = true where coming is null;
    alter table session_bookings alter column coming set not null;
    alter table bookings drop column back_at;
  `);
}
