import type { Knex } from 'knex';

/** What leading keeps: who leads, the easier versions of a run, and notes on form. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table runs
      alter column score drop not null,
      add column easier jsonb,
      add column leader uuid,
      add constraint started_runs_have_a_score check (started_at is null or score is not null);

    create table form_notes (
      id uuid primary key,
      studio_id uuid not null,
      participant_id uuid not null,
      session_id uuid not null,
      move_id text not null,
      note text not null,
      noted_at timestamptz not null,
      foreign key (participant_id, studio_id) references participants (id, studio_id) on delete cascade,
      foreign key (session_id, studio_id) references sessions (id, studio_id) on delete cascade
    );
    create index on form_notes (participant_id);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table form_notes;
    delete from runs where score is null;
    alter table runs
      drop constraint started_runs_have_a_score,
      drop column easier, drop column leader,
      alter column score set not null;
  `);
}
