import type { Knex } from 'knex';

/** What people carry, kept only with their consent, and the saved versions of a class. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table participants
      add column cautions jsonb not null default '[]',
      add column cautions_consent_on date,
      add constraint cautions_need_consent
        check (cautions = '[]'::jsonb or cautions_consent_on is not null);

    create table class_versions (
      studio_id uuid not null,
      class_id uuid not null,
      version integer not null,
      plan jsonb not null,
      saved_at timestamptz not null,
      saved_by text not null,
      primary key (class_id, version),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade
    );
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table class_versions;
    alter table participants drop column cautions, drop column cautions_consent_on;
  `);
}
