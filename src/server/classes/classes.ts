import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type Plan, planSchema } from '@/core/class';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';

export interface StoredClass {
  id: string;
  plan: Plan;
  version: number;
  updatedAt: number;
}

const rowSchema = z
  .object({ id: z.uuid(), plan: planSchema, version: z.number().int(), updated_at: epochMs })
  .transform(({ updated_at, ...row }): StoredClass => ({ ...row, updatedAt: updated_at }));

const columns = ['id', 'plan', 'version', 'updated_at'];

export async function listClasses(db: Db, { studioId }: Scope): Promise<StoredClass[]> {
  const rows = await db('classes')
    .where({ studio_id: studioId })
    .orderByRaw("lower(plan->>'name')")
    .select(columns);
  return z.array(rowSchema).parse(rows);
}

/** @throws NotFound where the class is not the studio's */
export async function getClass(db: Db, { studioId }: Scope, id: string): Promise<StoredClass> {
  const row = await db('classes').where({ id, studio_id: studioId }).first(columns);
  return rowSchema.parse(found(row, 'class'));
}

export async function createClass(db: Db, scope: Scope, plan: Plan, now: number): Promise<string> {
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

export type SaveAnswer = { ok: true; version: number } | { ok: false; current: StoredClass };

/**
 * Stores a changed plan if nobody stored another since the version it grew from. Otherwise nothing
 * is written and the stored class comes back, so that the teacher can choose.
 * @throws NotFound where the class is not the studio's
 */
export async function savePlan(
  db: Db,
  scope: Scope,
  id: string,
  plan: Plan,
  basedOn: number,
  now: number,
): Promise<SaveAnswer> {
  const [row] = await db('classes')
    .where({ id, studio_id: scope.studioId, version: basedOn })
    .update({
      plan: JSON.stringify(plan),
      version: basedOn + 1,
      updated_at: new Date(now),
    })
    .returning('version');
  if (row) return { ok: true, version: row.version };
  return { ok: false, current: await getClass(db, scope, id) };
}
