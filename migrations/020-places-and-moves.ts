import type { Knex } from 'knex';

/**
 * What is asked of every class that is opened stays quick however long a studio goes on.
 *
 * Who has room in a session stands in two views that say the same: `session_people` puts everybody of a session in
 * order once, for whoever asks of sessions; `person_sessions` counts who came before, for whoever asks of one person.
 * Which moves a run has is worked out once, when its score is stored, and not read out of the score again for everybody
 * who was there.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter view session_people rename to person_sessions;
    create view session_people as
      select s.studio_id, s.id as session_id, s.room_for, w.participant_id, w.at,
        s.room_for is null or w.place <= s.room_for as booked
      from sessions s
      cross join lateral (
        select participant_id, at, row_number() over (order by at, participant_id) as place
        from session_wishes
        where session_id = s.id
      ) w;

    create function moves_of(score jsonb) returns text[] language sql immutable as $$
      select array(select distinct step->>'moveId' from jsonb_array_elements(score->'steps') step order by 1)
    $$;
    alter table runs add column moves text[] generated always as (moves_of(score)) stored;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table runs drop column moves;
    drop function moves_of(jsonb);
    drop view session_people;
    alter view person_sessions rename to session_people;
  `);
}
