import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { dayOf } from '@/core/formats';
import type { Language } from '@/core/language';
import { languageSchema } from '@/core/move';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';

/** Practice at home: logged by the teacher, or by the person behind an address of their own. */

export interface Practice {
  id: string;
  /** Epoch ms. */
  at: number;
  /** How long, in seconds; null where it was not said. */
  seconds: number | null;
  byTeacher: boolean;
}

/** Most entries in one day, and most that a page shows. */
export const MOST_A_DAY = 10;
const MOST_SHOWN = 200;
/** How far back somebody may log what they forgot, in days. */
export const LOG_BACK_DAYS = 14;
const DAY_MS = 86_400_000;

const rowSchema = z
  .object({ id: z.uuid(), at: epochMs, seconds: z.number().nullable(), by_teacher: z.boolean() })
  .transform(({ by_teacher, ...row }): Practice => ({ ...row, byTeacher: by_teacher }));

/** Practice of one person, the newest first. */
export async function practiceOf(
  db: Db,
  { studioId }: Scope,
  participantId: string,
): Promise<Practice[]> {
  const rows = await db('practice')
    .where({ studio_id: studioId, participant_id: participantId })
    .orderBy('at', 'desc')
    .limit(MOST_SHOWN)
    .select('id', 'at', 'seconds', 'by_teacher');
  return z.array(rowSchema).parse(rows);
}

export interface NewPractice {
  participantId: string;
  /** When, epoch ms. */
  at: number;
  seconds: number | null;
  byTeacher: boolean;
  /** Made by who sends it, so that sending twice stores once. */
  id?: string;
}

/**
 * Logs that somebody practised.
 * @throws Refusal `not-found`; `practice-then` for what is to come or too long ago; `practice-enough`
 */
export async function logPractice(
  db: Db,
  { studioId }: Scope,
  {
    participantId,
    at,
    seconds,
    byTeacher,
    id = randomUUID(),
    zone,
    now,
  }: NewPractice & { zone: string; now: number },
): Promise<void> {
  if (at > now || at < now - LOG_BACK_DAYS * DAY_MS) {
    throw new Refusal('practice-then', String(LOG_BACK_DAYS));
  }
  await db.transaction(async (trx) => {
    const person = { id: participantId, studio_id: studioId };
    found(await trx('participants').where(person).forUpdate().first('id'), 'person');
    const day = dayOf(at, zone);
    const of = { studio_id: studioId, participant_id: participantId };
    const [that] = await trx('practice')
      .where(of)
      .whereNot({ id })
      .whereBetween('at', [new Date(day.start), new Date(day.end - 1)])
      .count();
    if (Number(that?.count) >= MOST_A_DAY) {
      throw new Refusal('practice-enough', String(MOST_A_DAY));
    }
    await trx('practice')
      .insert({ ...of, id, at: new Date(at), seconds, by_teacher: byTeacher })
      .onConflict('id')
      .ignore();
  });
}

/** Takes an entry out again. @throws Refusal `not-found` */
export async function dropPractice(
  db: Db,
  { studioId }: Scope,
  { participantId, id }: { participantId: string; id: string },
): Promise<void> {
  const rows = await db('practice')
    .where({ id, studio_id: studioId, participant_id: participantId })
    .delete()
    .returning('id');
  found(rows[0], 'entry');
}

/** Most days that one person has taken off. */
export const MOST_DAYS_OFF = 500;

/**
 * Takes a day off from practice, ISO 8601, or takes that back. Which rules allow it, and how many, the fold of
 * streaks knows. @throws Refusal `not-found`, `too-many-days-off`
 */
export async function takeDayOff(
  db: Db,
  { studioId }: Scope,
  { participantId, day, off }: { participantId: string; day: string; off: boolean },
): Promise<void> {
  const of = { studio_id: studioId, participant_id: participantId };
  await db.transaction(async (trx) => {
    const person = { id: participantId, studio_id: studioId };
    found(await trx('participants').where(person).forUpdate().first('id'), 'person');
    if (!off) {
      await trx('days_off')
        .where({ ...of, day })
        .delete();
      return;
    }
    const [kept] = await trx('days_off').where(of).count();
    if (Number(kept?.count) >= MOST_DAYS_OFF) {
      throw new Refusal('too-many-days-off', String(MOST_DAYS_OFF));
    }
    await trx('days_off')
      .insert({ ...of, day })
      .onConflict(['participant_id', 'day'])
      .ignore();
  });
}

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/**
 * Makes a new address for somebody's own page; the one before no longer works. Only its hash is kept.
 * @throws Refusal `not-found`
 */
export async function makeHome(
  db: Db,
  { studioId }: Scope,
  participantId: string,
): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  const rows = await db('participants')
    .where({ id: participantId, studio_id: studioId, left_on: null })
    .update({ home_hash: fingerprint(token) })
    .returning('id');
  found(rows[0], 'person');
  return token;
}

/** Revokes the address of somebody's page. */
export async function dropHome(db: Db, { studioId }: Scope, participantId: string): Promise<void> {
  await db('participants')
    .where({ id: participantId, studio_id: studioId })
    .update({ home_hash: null });
}

/** Whose page an address leads to. */
export interface HomeOwner extends Scope {
  participantId: string;
  name: string;
  /** In which they are spoken to, where the register knows. */
  language: Language | null;
  studioName: string;
  timeZone: string;
}

const ownerSchema = z
  .object({
    id: z.uuid(),
    studio_id: z.uuid(),
    name: z.string(),
    language: languageSchema.nullable(),
    studio_name: z.string(),
    time_zone: z.string(),
  })
  .transform(
    (row): HomeOwner => ({
      participantId: row.id,
      studioId: row.studio_id,
      name: row.name,
      language: row.language,
      studioName: row.studio_name,
      timeZone: row.time_zone,
    }),
  );

/** Null where the address was revoked, or never was one. */
export async function ownerOfHome(db: Db, token: string): Promise<HomeOwner | null> {
  const row = await db('participants')
    .join('studios', 'studios.id', 'participants.studio_id')
    .where('participants.home_hash', fingerprint(token))
    .whereNull('participants.left_on')
    .first(
      'participants.id',
      'participants.studio_id',
      'participants.name',
      'participants.language',
      'studios.name as studio_name',
      'studios.time_zone',
    );
  return row ? ownerSchema.parse(row) : null;
}
