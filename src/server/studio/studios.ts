import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { type NewClass, newClassSchema, type Retention } from '@/core/studio';
import { hashPassword } from '../auth/passwords';
import { type Db, isUniqueError } from '../db';
import { found, type Scope } from '../scope';

export interface NewAccount {
  name: string;
  email: string;
  password: string;
}

export interface NewStudio extends NewAccount {
  studioName: string;
  timeZone: string;
  newClass: NewClass;
}

/** Whether there is any studio that is not the demo. */
export async function hasOwnStudio(db: Db): Promise<boolean> {
  return (await db('studios').where({ is_demo: false }).first('id')) !== undefined;
}

/** @throws Refusal `email-taken` */
export async function refuseTaken(db: Db, email: string): Promise<void> {
  if (await db('teachers').where({ email }).first('id')) throw new Refusal('email-taken');
}

/** Stores an email, which somebody else may take at the same instant. @throws Refusal `email-taken` */
export async function takingEmail<T>(store: () => Promise<T>): Promise<T> {
  try {
    return await store();
  } catch (problem) {
    throw isUniqueError(problem) ? new Refusal('email-taken') : problem;
  }
}

/** Makes a studio with its first owner. @returns the owner's id @throws Refusal `email-taken` */
export async function makeStudio(db: Db, studio: NewStudio, now: number): Promise<string> {
  await refuseTaken(db, studio.email);
  const [studioId, teacherId, at] = [randomUUID(), randomUUID(), new Date(now)];
  const password_hash = await hashPassword(studio.password);
  const made = async (trx: Db) => {
    await trx('studios').insert({
      id: studioId,
      name: studio.studioName,
      time_zone: studio.timeZone,
      new_class: JSON.stringify(studio.newClass),
      created_at: at,
    });
    await trx('teachers').insert({
      id: teacherId,
      studio_id: studioId,
      email: studio.email,
      name: studio.name,
      role: 'owner',
      password_hash,
      created_at: at,
    });
  };
  await takingEmail(() => db.transaction(made));
  return teacherId;
}

/** What an owner can set. */
export interface StudioSettings {
  name: string;
  timeZone: string;
  /** Null where new classes begin as Up Beat suggests. */
  newClass: NewClass | null;
  retention: Retention;
}

const settingsSchema = z
  .object({
    name: z.string(),
    time_zone: z.string(),
    new_class: newClassSchema.nullable(),
    keep_runs_months: z.number().nullable(),
    keep_recordings_months: z.number().nullable(),
  })
  .transform(
    (row): StudioSettings => ({
      name: row.name,
      timeZone: row.time_zone,
      newClass: row.new_class,
      retention: {
        runsMonths: row.keep_runs_months,
        recordingsMonths: row.keep_recordings_months,
      },
    }),
  );

export async function studioSettings(db: Db, { studioId }: Scope): Promise<StudioSettings> {
  const row = await db('studios').where({ id: studioId }).first();
  return settingsSchema.parse(found(row, 'studio'));
}

/** Changes what is named; the rest stays. */
export async function changeStudio(
  db: Db,
  { studioId }: Scope,
  { name, timeZone, newClass, retention }: Partial<StudioSettings>,
): Promise<void> {
  const set = {
    name,
    time_zone: timeZone,
    new_class: newClass && JSON.stringify(newClass),
    keep_runs_months: retention?.runsMonths,
    keep_recordings_months: retention?.recordingsMonths,
  };
  const named = Object.fromEntries(Object.entries(set).filter(([, value]) => value !== undefined));
  if (Object.keys(named).length > 0) await db('studios').where({ id: studioId }).update(named);
}

/** A class that was begun so long ago and never closed is led by nobody any more, in ms. */
const LED_MS = 4 * 3_600_000;

/**
 * Who leads a class at this moment: a teacher, or any of the studio. Null where nobody does.
 * @param now epoch ms
 */
export async function ledNow(
  db: Db,
  { studioId }: Scope,
  { teacherId, now }: { teacherId?: string; now: number },
): Promise<{ by: string | null; className: string } | null> {
  const row = await db('runs as r')
    .join('sessions as s', 's.id', 'r.session_id')
    .join('classes as c', 'c.id', 's.class_id')
    .leftJoin('teachers as t', 't.id', 'r.led_by')
    .where({ 'r.studio_id': studioId, 's.status': 'planned', 'r.finished_at': null })
    .where('r.started_at', '>', new Date(now - LED_MS))
    .modify((query) => teacherId && query.where({ 'r.led_by': teacherId }))
    .orderBy('r.started_at', 'desc')
    .first('t.name as by', db.raw("c.plan->>'name' as class_name"));
  return row ? { by: row.by, className: row.class_name } : null;
}

/**
 * Makes sure that nobody is taken their class away in the middle of it.
 * @throws Refusal `leads-now`
 */
export async function refuseWhileLed(
  db: Db,
  scope: Scope,
  of: Parameters<typeof ledNow>[2],
): Promise<void> {
  const led = await ledNow(db, scope, of);
  if (led) throw new Refusal('leads-now', led.by ?? 'somebody');
}

/** Deletes a studio and all that belongs to it. */
export async function deleteStudio(db: Db, { studioId }: Scope): Promise<void> {
  await db('studios').where({ id: studioId }).delete();
}

/** How many logs of led classes and recordings a studio has that are older than so. @param now epoch ms */
export async function olderThan(
  db: Db,
  { studioId }: Scope,
  { retention, now }: { retention: Retention; now: number },
): Promise<{ runs: number; recordings: number }> {
  const older = async (table: string, column: string, months: number | null) => {
    const { n } = await db(table)
      .where({ studio_id: studioId })
      .whereRaw('?? < ?::timestamptz - make_interval(months => ?::int)', [
        column,
        new Date(now),
        months,
      ])
      .first(db.raw('count(*)::int as n'));
    return n as number;
  };
  return {
    runs: await older('runs', 'finished_at', retention.runsMonths),
    recordings: await older('recordings', 'recorded_at', retention.recordingsMonths),
  };
}

/** How long what a class was made ready with on another device is kept where it never begins, in ms. */
export const SCORES_KEPT_MS = 7 * 86_400_000;

/**
 * Forgets visits of the demo that are over, what was made ready and never led, and runs and recordings that are older
 * than their studio wants to keep them. Sessions, registers and streaks stay. @param now epoch ms
 */
export async function forgetOld(db: Db, now: number): Promise<void> {
  const at = new Date(now);
  await db('studios').where('visit_ends_at', '<=', at).delete();
  await db.raw(
    `delete from runs using studios
     where studios.id = runs.studio_id and runs.finished_at is not null
       and runs.finished_at < ?::timestamptz - make_interval(months => studios.keep_runs_months)`,
    [at],
  );
  await db('scores_before')
    .where('kept_at', '<', new Date(now - SCORES_KEPT_MS))
    .delete();
  await db.raw(
    `delete from recordings using studios
     where studios.id = recordings.studio_id
       and recordings.recorded_at < ?::timestamptz - make_interval(months => studios.keep_recordings_months)`,
    [at],
  );
}
