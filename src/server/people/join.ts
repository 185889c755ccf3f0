import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';
import { PERSON_TABLES } from './tables';

/** Two entries of the register that are one person become one, and two again if that was a slip. */

/** How long it can be undone. */
export const UNDO_JOIN_MS = 24 * 3_600_000;

const rowsSchema = z.array(z.record(z.string(), z.unknown()));
/** Both as they were: their own rows, and those of every table that names them. */
const beforeSchema = z.object({
  kept: z.record(z.string(), z.unknown()),
  gone: z.record(z.string(), z.unknown()),
  /** Ids that meant the one who goes before. */
  formers: z.array(z.uuid()),
  tables: z.record(z.string(), rowsSchema),
});
type Before = z.infer<typeof beforeSchema>;

/** Who is better known by a mark: what says more of somebody stays. */
const BETTER = `case mark when 'here' then 0 when 'late' then 1 when 'excused' then 2 else 3 end`;

/**
 * Joins somebody with another who is the same person: everything moves over to the one who is kept. Where both
 * were marked in a session, the better mark stays; what either of them carries is carried on.
 * @returns what undoes it
 * @throws Refusal `not-found`, `same-person`
 */
export async function joinPeople(
  db: Db,
  scope: Scope,
  { keptId, goneId, now }: { keptId: string; goneId: string; now: number },
): Promise<string> {
  if (keptId === goneId) throw new Refusal('same-person');
  return db.transaction(async (trx) => {
    const before = await bothOf(trx, scope, { keptId, goneId });
    for (const { name, key } of PERSON_TABLES) {
      if (key === null) continue;
      const both = `kept.participant_id = ? and gone.participant_id = ? and kept.${key} = gone.${key}`;
      if (name === 'attendance') {
        await trx.raw(
          `update attendance kept set mark = gone.mark, arrived_at = gone.arrived_at, left_at = gone.left_at
            from attendance gone where ${both}
            and (${BETTER.replace('mark', 'gone.mark')}) < (${BETTER.replace('mark', 'kept.mark')})`,
          [keptId, goneId],
        );
      }
      if (name === 'bookings') {
        await trx.raw(
          // The better place in line of those that are theirs still.
          `update bookings kept set since = least(kept.since, gone.since),
            back_at = case
              when (kept.until is null) = (gone.until is null) then
                least(coalesce(kept.back_at, kept.since), coalesce(gone.back_at, gone.since))
              when kept.until is null then coalesce(kept.back_at, kept.since)
              else coalesce(gone.back_at, gone.since) end,
            until = case when kept.until is null or gone.until is null then null
              else greatest(kept.until, gone.until) end
            from bookings gone where ${both}`,
          [keptId, goneId],
        );
      }
      await trx.raw(`delete from ${name} gone using ${name} kept where ${both}`, [keptId, goneId]);
    }
    for (const { name } of PERSON_TABLES) {
      await trx(name)
        .where({ participant_id: goneId, studio_id: scope.studioId })
        .update({ participant_id: keptId });
    }
    await trx.raw(
      `update participants kept set joined_on = least(kept.joined_on, gone.joined_on),
        contact = coalesce(kept.contact, gone.contact), language = coalesce(kept.language, gone.language),
        left_on = case when kept.left_on is null or gone.left_on is null then null else kept.left_on end,
        greet = kept.greet and gone.greet,
        cautions = (select coalesce(jsonb_agg(distinct one), '[]') from jsonb_array_elements(kept.cautions || gone.cautions) one),
        cautions_consent_on = least(kept.cautions_consent_on, gone.cautions_consent_on),
        check_ins_consent_on = least(kept.check_ins_consent_on, gone.check_ins_consent_on)
        from participants gone where kept.id = ? and gone.id = ?`,
      [keptId, goneId],
    );
    const at = new Date(now);
    const of = { studio_id: scope.studioId };
    await trx('joined_people')
      .where({ ...of, kept_id: goneId })
      .update({ kept_id: keptId });
    await trx('former_people')
      .where({ ...of, now_id: goneId })
      .update({ now_id: keptId });
    await trx('participants')
      .where({ id: goneId, ...of })
      .delete();
    await trx('former_people').insert({ ...of, id: goneId, now_id: keptId, at });
    const id = randomUUID();
    const told = JSON.stringify(before);
    await trx('joined_people').insert({ ...of, id, kept_id: keptId, before: told, at });
    return id;
  });
}

/** Two people with all that names them, locked. @throws Refusal `not-found` */
async function bothOf(
  db: Db,
  { studioId }: Scope,
  { keptId, goneId }: { keptId: string; goneId: string },
): Promise<Before> {
  const ids = [keptId, goneId];
  const people = z
    .array(z.object({ id: z.uuid(), row: z.record(z.string(), z.unknown()) }))
    .parse(
      await db('participants as p')
        .where({ 'p.studio_id': studioId })
        .whereIn('p.id', ids)
        .orderBy('p.id')
        .forUpdate()
        .select('p.id', db.raw('to_jsonb(p) as row')),
    );
  const one = (id: string) => found(people.find((p) => p.id === id)?.row, 'person');
  const tables: Before['tables'] = {};
  for (const { name } of PERSON_TABLES) {
    const rows = await db(`${name} as t`)
      .where({ 't.studio_id': studioId })
      .whereIn('t.participant_id', ids)
      .select(db.raw('to_jsonb(t) as row'));
    tables[name] = rows.map((r) => r.row);
  }
  const formers = await db('former_people')
    .where({ studio_id: studioId, now_id: goneId })
    .pluck('id');
  return { kept: one(keptId), gone: one(goneId), formers, tables };
}

/** A join that can still be undone. */
export interface Joined {
  id: string;
  /** What the other was called. */
  name: string;
  at: number;
}

/** The latest join of somebody, as long as it can be undone. */
export async function lastJoin(
  db: Db,
  { studioId }: Scope,
  { keptId, now }: { keptId: string; now: number },
): Promise<Joined | null> {
  const row = await db('joined_people')
    .where({ studio_id: studioId, kept_id: keptId })
    .where('at', '>', new Date(now - UNDO_JOIN_MS))
    .orderBy('at', 'desc')
    .first('id', db.raw("before->'gone'->>'name' as name"), 'at');
  return row ? z.object({ id: z.uuid(), name: z.string(), at: epochMs }).parse(row) : null;
}

/** Sessions to come with room for so many in which one of two may be expected once they are two again. */
export async function limitedByJoin(
  db: Db,
  { studioId }: Scope,
  { id, now }: { id: string; now: number },
): Promise<string[]> {
  const row = await db('joined_people').where({ id, studio_id: studioId }).first('before');
  if (!row) return [];
  const { tables } = beforeSchema.parse(row.before);
  const ids = (table: string, key: string) =>
    z.array(z.uuid()).parse((tables[table] ?? []).map((r) => r[key]));
  return db('sessions')
    .where({ studio_id: studioId, status: 'planned' })
    .where('starts_at', '>', new Date(now))
    .whereNotNull('room_for')
    .where((either) =>
      either
        .whereIn('class_id', ids('bookings', 'class_id'))
        .orWhereIn('id', ids('session_bookings', 'session_id')),
    )
    .pluck('id');
}

/**
 * Makes two of somebody again. What both had then is as it was; what came since stays with the one who was kept.
 * @throws Refusal `not-found` where it was undone, or can no longer be
 */
export async function undoJoin(
  db: Db,
  scope: Scope,
  { id, now }: { id: string; now: number },
): Promise<void> {
  const { studioId } = scope;
  await db.transaction(async (trx) => {
    const row = await trx('joined_people')
      .where({ id, studio_id: studioId })
      .where('at', '>', new Date(now - UNDO_JOIN_MS))
      .forUpdate()
      .first('kept_id', 'before');
    const { kept_id: keptId, before: told } = found(row, 'join');
    const before = beforeSchema.parse(told);
    const goneId = z.uuid().parse(before.gone.id);
    // One that was joined on since has to be made two first.
    if (before.kept.id !== keptId) throw new Refusal('not-found', 'join');
    await trx('former_people').where({ id: goneId, studio_id: studioId }).delete();
    await trx.raw(
      'insert into participants select * from jsonb_populate_record(null::participants, ?::jsonb)',
      [JSON.stringify(before.gone)],
    );
    await trx('former_people').whereIn('id', before.formers).update({ now_id: goneId });
    await trx('joined_people')
      .where({ studio_id: studioId, kept_id: keptId })
      .whereRaw("before->'kept'->>'id' = ?", [goneId])
      .update({ kept_id: goneId });
    const own = ['joined_on', 'contact', 'language', 'left_on', 'greet'];
    const carried = ['cautions', 'cautions_consent_on', 'check_ins_consent_on'];
    await trx('participants')
      .where({ id: keptId, studio_id: studioId })
      .update(
        Object.fromEntries(
          [...own, ...carried].map((c) => [
            c,
            c === 'cautions' ? JSON.stringify(before.kept[c]) : before.kept[c],
          ]),
        ),
      );
    for (const { name, key, refers } of PERSON_TABLES) {
      const rows = before.tables[name] ?? [];
      const json = JSON.stringify(rows);
      if (key === null) {
        const ids = rows.filter((r) => r.participant_id === goneId).map((r) => r.id as string);
        await trx(name)
          .where({ studio_id: studioId, participant_id: keptId })
          .whereIn('id', ids)
          .update({ participant_id: goneId });
        continue;
      }
      await trx.raw(
        `delete from ${name} t using jsonb_populate_recordset(null::${name}, ?::jsonb) old
          where t.participant_id = ? and t.${key} = old.${key}`,
        [json, keptId],
      );
      const there = refers ? `where exists (select from ${refers} r where r.id = old.${key})` : '';
      await trx.raw(
        `insert into ${name} select * from jsonb_populate_recordset(null::${name}, ?::jsonb) old ${there}
          on conflict do nothing`,
        [json],
      );
    }
    await trx('joined_people').where({ id }).delete();
  });
}
