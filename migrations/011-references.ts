import type { Knex } from 'knex';

/**
 * What a log says of people is about people of its studio: of the register, or once of it. It is looked at when the
 * transaction ends, since a log and the person it takes in are written together. And an id that another studio has
 * used as well is each studio's own.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table former_people drop constraint former_people_pkey;
    alter table former_people add primary key (studio_id, id);

    create function run_event_names_a_person() returns trigger language plpgsql as $body$
    declare who uuid := (new.data->>'participantId')::uuid;
    begin
      if not exists (select from participants p where p.id = who and p.studio_id = new.studio_id)
        and not exists (select from former_people f where f.id = who and f.studio_id = new.studio_id)
        and exists (select from run_events e where e.run_id = new.run_id and e.seq = new.seq)
      then
        raise foreign_key_violation using
          message = 'an event of a log names somebody who is not of its studio',
          table = 'run_events', constraint = 'run_event_names_a_person';
      end if;
      return null;
    end $body$;
    create constraint trigger run_event_names_a_person
      after insert on run_events deferrable initially deferred
      for each row when (new.type in ('marked', 'walkedIn', 'left', 'corrected'))
      execute function run_event_names_a_person();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger run_event_names_a_person on run_events;
    drop function run_event_names_a_person();
    delete from former_people f using former_people g where f.id = g.id and f.studio_id > g.studio_id;
    alter table former_people drop constraint former_people_pkey;
    alter table former_people add primary key (id);
  `);
}
