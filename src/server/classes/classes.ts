import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type ClassVersion, Refusal } from '@/core/calls';
import { nameFor, type Plan, planSchema, problemOfPlan } from '@/core/class';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import { found, type Scope } from '../scope';

export interface StoredClass {
  id: string;
  plan: Plan;
  version: number;
  updatedAt: number;
  /** When it was put away, epoch ms; null where it is in use. */
  putAwayAt: number | null;
}

const rowSchema = z
  .object({
    id: z.uuid(),
    plan: planSchema,
    version: z.number().int(),
    updated_at: epochMs,
    put_away_at: maybeEpochMs,
  })
  .transform(
    ({ updated_at, put_away_at, ...row }): StoredClass => ({
      ...row,
      updatedAt: updated_at,
      putAwayAt: put_away_at,
    }),
  );

const columns = ['id', 'plan', 'version', 'updated_at', 'put_away_at'];

const lineSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  slotSeconds: z.number(),
  segments: z.number().int(),
  /** It is not led any more, and in no list to choose from. */
  putAway: z.boolean(),
  /** It was given to somebody to do at home. */
  atHome: z.boolean(),
  /** It has a session, whatever became of it. */
  met: z.boolean(),
});

/** A class in a list. */
export type ListedClass = z.infer<typeof lineSchema>;

const SEGMENTS = '$.phases.*[*].segments[*]';
const listed = (db: Db, { studioId }: Scope) =>
  db('classes')
    .where({ studio_id: studioId })
    .orderByRaw("lower(plan->>'name')")
    .select(
      'id',
      db.raw("plan->>'name' as name"),
      db.raw('(plan->>\'slotSeconds\')::float as "slotSeconds"'),
      db.raw('jsonb_array_length(jsonb_path_query_array(plan, ?)) as segments', [SEGMENTS]),
      db.raw('put_away_at is not null as "putAway"'),
      db.raw('exists (select from home_classes h where h.class_id = classes.id) as "atHome"'),
      db.raw('exists (select from sessions s where s.class_id = classes.id) as met'),
    );

/**
 * Every class of a studio, by name, those among them that are put away. The plans stay in the database: to read all of
 * them would take long.
 */
export async function allClasses(db: Db, scope: Scope): Promise<ListedClass[]> {
  return z.array(lineSchema).parse(await listed(db, scope));
}

/** Whether a studio has made a class, in use or not. */
export const hasClasses = async (db: Db, { studioId }: Scope): Promise<boolean> =>
  (await db('classes').where({ studio_id: studioId }).first('id')) !== undefined;

/** The classes to choose from: those that are not put away, by name. */
export async function listClasses(db: Db, scope: Scope): Promise<ListedClass[]> {
  return z.array(lineSchema).parse(await listed(db, scope).whereNull('put_away_at'));
}

/** @throws Refusal `not-found`; `class-put-away` where nothing new begins with it */
export async function classInUse(db: Db, { studioId }: Scope, id: string): Promise<void> {
  const row = await db('classes').where({ id, studio_id: studioId }).first('put_away_at');
  if (found(row, 'class').put_away_at !== null) throw new Refusal('class-put-away');
}

/** Those in which a move is done, by name. */
export async function classesWith(db: Db, scope: Scope, moveId: string): Promise<ListedClass[]> {
  const rows = listed(db, scope).whereRaw(
    'jsonb_path_exists(plan, ?, jsonb_build_object(?::text, ?::text))',
    [`${SEGMENTS} ? (@.move == $move)`, 'move', moveId],
  );
  return z.array(lineSchema).parse(await rows);
}

/** @throws Refusal `not-found` where the class is not the studio's */
export async function getClass(db: Db, { studioId }: Scope, id: string): Promise<StoredClass> {
  const row = await db('classes').where({ id, studio_id: studioId }).first(columns);
  return rowSchema.parse(found(row, 'class'));
}

/** Most classes that a studio keeps, those apart that are put away or were given to people to do at home. */
export const MOST_CLASSES = 500;

/** The classes that count. */
export const ownClasses = (db: Db, { studioId }: Scope) =>
  db('classes')
    .where({ studio_id: studioId })
    .whereNull('put_away_at')
    .whereNotExists(db('home_classes').whereRaw('home_classes.class_id = classes.id'));

/** @throws Refusal `too-many-classes` where there is no place for one more */
export async function hasPlace(db: Db, scope: Scope): Promise<void> {
  const kept = await ownClasses(db, scope).first(db.raw('count(*)::int as n'));
  if (kept.n >= MOST_CLASSES) throw new Refusal('too-many-classes', String(MOST_CLASSES));
}

/**
 * @returns the id of the class
 * @throws Refusal `bad-class` where it is more than a class may be: nobody could open it; `too-many-classes`
 */
export async function createClass(db: Db, scope: Scope, plan: Plan, now: number): Promise<string> {
  const problem = problemOfPlan(plan);
  if (problem) throw new Refusal('bad-class', problem);
  await hasPlace(db, scope);
  const id = randomUUID();
  const at = new Date(now);
  await db('classes').insert({
    id,
    studio_id: scope.studioId,
    plan: JSON.stringify(plan),
    created_at: at,
    updated_at: at,
  });
  return id;
}

/**
 * A copy of a class, to be changed by itself. It has no sessions, and nobody is booked on it.
 * @returns its id @throws Refusal `not-found`, `too-many-classes`
 */
export async function copyClass(
  db: Db,
  scope: Scope,
  { classId, now }: { classId: string; now: number },
): Promise<string> {
  const { plan } = await getClass(db, scope, classId);
  return createClass(db, scope, { ...plan, name: nameFor(`Copy of ${plan.name}`) }, now);
}

export type SaveAnswer = { ok: true; version: number } | { ok: false; current: StoredClass };

/** Who saves, as the history names them. */
export interface Author extends Scope {
  name: string;
}

/**
 * Stores a changed plan if nobody stored another since the version it grew from. Otherwise nothing
 * is written and the stored class comes back, so that the teacher can choose.
 * @throws Refusal `not-found` where the class is not the studio's
 */
export async function savePlan(
  db: Db,
  author: Author,
  { id, plan, basedOn, now }: { id: string; plan: Plan; basedOn: number; now: number },
): Promise<SaveAnswer> {
  return db.transaction(async (trx) => {
    const row = await trx('classes')
      .where({ id, studio_id: author.studioId })
      .forUpdate()
      .first(columns);
    const current = rowSchema.parse(found(row, 'class'));
    if (current.version !== basedOn) return { ok: false, current };
    await keepVersions(trx, author, { before: current, plan, now });
    const version = basedOn + 1;
    await trx('classes')
      .where({ id, studio_id: author.studioId })
      .update({ plan: JSON.stringify(plan), version, updated_at: new Date(now) });
    return { ok: true, version };
  });
}

/** Saves that follow one another this closely are one version of the history. */
const ONE_VERSION_MS = 5 * 60_000;
const MOST_VERSIONS = 100;

/**
 * Writes the history: the new plan as a version of its own, in place of the last one where the same
 * teacher saved that a moment ago. The state before the first save is kept as well.
 */
async function keepVersions(
  db: Db,
  { studioId, name }: Author,
  { before, plan, now }: { before: StoredClass; plan: Plan; now: number },
): Promise<void> {
  const of = { studio_id: studioId, class_id: before.id };
  const versions = await db('class_versions').where(of).orderBy('version', 'desc');
  const version = (number: number, kept: Plan, at: number, by: string) => ({
    ...of,
    version: number,
    plan: JSON.stringify(kept),
    saved_at: new Date(at),
    saved_by: by,
  });
  const [last] = versions;
  if (!last)
    await db('class_versions').insert(version(before.version, before.plan, before.updatedAt, ''));
  // The first version is where it all began, so it is never overwritten.
  const goesOn =
    versions.length > 1 && last.saved_by === name && now - last.saved_at.getTime() < ONE_VERSION_MS;
  if (goesOn)
    await db('class_versions')
      .where({ ...of, version: last.version })
      .delete();
  const old = versions[MOST_VERSIONS - 1];
  if (old) await db('class_versions').where(of).where('version', '<=', old.version).delete();
  await db('class_versions').insert(version(before.version + 1, plan, now, name));
}

const versionSchema = z
  .object({ version: z.number(), plan: planSchema, saved_at: epochMs, saved_by: z.string() })
  .transform(
    ({ saved_at, saved_by, ...row }): ClassVersion => ({
      ...row,
      savedAt: saved_at,
      savedBy: saved_by,
    }),
  );

/** Saved versions of a class, the newest first. @throws Refusal `not-found` */
export async function versionsOf(db: Db, scope: Scope, id: string): Promise<ClassVersion[]> {
  await getClass(db, scope, id);
  const rows = await db('class_versions')
    .where({ studio_id: scope.studioId, class_id: id })
    .orderBy('version', 'desc')
    .select('version', 'plan', 'saved_at', 'saved_by');
  return z.array(versionSchema).parse(rows);
}
