import type { Knex } from 'knex';

/**
 * A class may be made ready on two devices, with other voices or at another rate, and either may begin it. What it was
 * made ready with before is kept until then, by its number, so that it is led by what the device has that begins it.
 * `made_of` tells one from another.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table runs add column made_of text;
    create table scores_before (
      studio_id uuid not null,
      run_id uuid not null,
      prepared integer not null,
      score jsonb not null,
      easier jsonb,
      follow jsonb,
      led_by uuid,
      made_of text,
      kept_at timestamptz not null,
      primary key (run_id, prepared),
      foreign key (run_id, studio_id) references runs (id, studio_id) on delete cascade,
      foreign key (led_by, studio_id) references teachers (id, studio_id)
        on delete set null (led_by)
    );
    create index scores_before_by_age on scores_before (kept_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table scores_before;
    alter table runs drop column made_of;
  `);
}
