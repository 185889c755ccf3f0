import type { Knex } from 'knex';

/**
 * Sign-ins know their device and when it was seen last, so that one can be told from another, and a device that is not
 * used any more is signed out. A visitor of a public demo has a studio of their own, for a day.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table sign_ins
      add column seen_at timestamptz,
      add column device_name text,
      add column device_hash text;
    update sign_ins set seen_at = created_at;
    alter table sign_ins alter column seen_at set not null;
    create index on sign_ins (teacher_id, device_hash);

    alter table studios add column visit_ends_at timestamptz;
    create index on studios (visit_ends_at);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    delete from studios where visit_ends_at is not null;
    alter table studios drop column visit_ends_at;
    alter table sign_ins drop column seen_at, drop column device_name, drop column device_hash;
  `);
}
