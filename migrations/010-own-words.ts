import type { Knex } from 'knex';

/** Who says the words of a class, and what is learned of what a teacher leaves out. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table teachers add column speaks_self boolean not null default false;

    alter table talk_samples
      drop constraint talk_samples_cues_ms_check,
      drop constraint talk_samples_taken_ms_check,
      add column offered_ms integer check (offered_ms > 0),
      add column left_out_ms integer not null default 0,
      add column say text not null default 'all' check (say in ('all', 'short', 'names', 'counts')),
      add column self boolean not null default false;
    update talk_samples set offered_ms = cues_ms;
    alter table talk_samples
      alter column offered_ms set not null,
      add constraint talk_samples_talk check (cues_ms >= 0 and taken_ms >= 0),
      add constraint talk_samples_left_out check (left_out_ms between 0 and offered_ms);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    delete from talk_samples where cues_ms = 0 or taken_ms = 0;
    alter table talk_samples
      drop column offered_ms, drop column left_out_ms, drop column say, drop column self,
      drop constraint talk_samples_talk,
      add constraint talk_samples_cues_ms_check check (cues_ms > 0),
      add constraint talk_samples_taken_ms_check check (taken_ms > 0);
    alter table teachers drop column speaks_self;
  `);
}
