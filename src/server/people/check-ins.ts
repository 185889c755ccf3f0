import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { CHECK_IN_WEEKS, type CheckIn, type CheckInGiven, dueWeek } from '@/core/people';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';

/** How it feels to somebody after so many weeks, kept only with their consent. */

const rowSchema = z.object({
  week: z.union(CHECK_IN_WEEKS.map((w) => z.literal(w))),
  jaw: z.number(),
  brow: z.number(),
  evenness: z.number(),
  words: z.string(),
  at: epochMs,
});

export interface CheckIns {
  /** ISO 8601 date of their consent; null while nothing is kept. */
  consentOn: string | null;
  given: CheckIn[];
  /** The week that is asked for now; null where none is. */
  due: CheckIn['week'] | null;
}

/** @param now epoch ms @throws Refusal `not-found` */
export async function checkInsOf(
  db: Db,
  { studioId }: Scope,
  { participantId, zone, now }: { participantId: string; zone: string; now: number },
): Promise<CheckIns> {
  const row = await db('participants')
    .where({ id: participantId, studio_id: studioId })
    .first(db.raw("to_char(check_ins_consent_on, 'YYYY-MM-DD') as consent_on"));
  const consentOn = z.string().nullable().parse(found(row, 'person').consent_on);
  const rows = await db('check_ins')
    .where({ participant_id: participantId, studio_id: studioId })
    .orderBy('week')
    .select('week', 'jaw', 'brow', 'evenness', 'words', 'at');
  const given = z.array(rowSchema).parse(rows);
  const today = dateOn(now, zone);
  const due = dueWeek({ consentOn, today, given: given.map((c) => c.week) });
  return { consentOn, given, due };
}

/**
 * Notes that somebody agrees to check-ins from a day on, ISO 8601. With null they withdraw, and all that was kept
 * is forgotten. @throws Refusal `not-found`
 */
export async function consentToCheckIns(
  db: Db,
  { studioId }: Scope,
  { participantId, on }: { participantId: string; on: string | null },
): Promise<void> {
  await db.transaction(async (trx) => {
    const rows = await trx('participants')
      .where({ id: participantId, studio_id: studioId })
      .update({ check_ins_consent_on: on })
      .returning('id');
    found(rows[0], 'person');
    if (on === null) {
      await trx('check_ins').where({ participant_id: participantId, studio_id: studioId }).delete();
    }
  });
}

/** Keeps a check-in for the week that is due. @throws Refusal `not-found`, `no-check-in-due` */
export async function keepCheckIn(
  db: Db,
  scope: Scope,
  {
    participantId,
    given,
    zone,
    now,
  }: { participantId: string; given: CheckInGiven; zone: string; now: number },
): Promise<void> {
  const { due } = await checkInsOf(db, scope, { participantId, zone, now });
  if (due === null) throw new Refusal('no-check-in-due');
  await db('check_ins')
    .insert({
      id: randomUUID(),
      studio_id: scope.studioId,
      participant_id: participantId,
      week: due,
      ...given,
      at: new Date(now),
    })
    .onConflict(['participant_id', 'week'])
    .ignore();
}
