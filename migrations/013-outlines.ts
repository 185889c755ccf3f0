import type { Knex } from 'knex';

/**
 * How long a class is and what it works is kept beside it, for each teacher, whose voice it depends on: a list need
 * not work it out again. `made_from` tells all that it was made from; what was made from something else is worked out
 * anew.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table class_outlines (
      class_id uuid not null,
      teacher_id uuid not null,
      studio_id uuid not null references studios on delete cascade,
      version integer not null,
      made_from text not null,
      outline jsonb not null,
      primary key (class_id, teacher_id),
      foreign key (class_id, studio_id) references classes (id, studio_id) on delete cascade,
      foreign key (teacher_id, studio_id) references teachers (id, studio_id) on delete cascade
    );
    create index on class_outlines (teacher_id);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table class_outlines');
}
