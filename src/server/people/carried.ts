import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { type CarriedCaution, carriedCautionSchema } from '@/core/move';
import type { Db } from '../db';
import { found, type Scope } from '../scope';

/** What somebody carries, kept with their consent. */
export interface Carried {
  cautions: CarriedCaution[];
  /** ISO 8601 date of their consent to keep them; null where nothing is kept. */
  consentOn: string | null;
}

export const carriedRowSchema = z
  .object({ cautions: z.array(carriedCautionSchema), consent_on: z.string().nullable() })
  .transform(({ cautions, consent_on }): Carried => ({ cautions, consentOn: consent_on }));

export const carriedColumns = (db: Db) => [
  'participants.cautions',
  db.raw("to_char(participants.cautions_consent_on, 'YYYY-MM-DD') as consent_on"),
];

/**
 * Keeps what somebody carries. Without any cautions the consent is forgotten along with them.
 * @param was what was known when it was decided; where it is something else by now, nothing is kept
 * @throws Refusal `not-found` where the person is not the studio's, `cautions-changed`
 */
export async function keepCautions(
  db: Db,
  { studioId }: Scope,
  {
    participantId,
    cautions,
    consentOn,
    was,
  }: {
    participantId: string;
    cautions: readonly CarriedCaution[];
    consentOn: string;
    was?: readonly CarriedCaution[];
  },
): Promise<void> {
  const theirs = () => db('participants').where({ id: participantId, studio_id: studioId });
  const asKnown = was ? theirs().whereRaw('cautions = ?::jsonb', [JSON.stringify(was)]) : theirs();
  const rows = await asKnown
    .update({
      cautions: JSON.stringify(cautions),
      cautions_consent_on: cautions.length ? consentOn : null,
    })
    .returning('id');
  if (rows.length > 0) return;
  found(await theirs().first('id'), 'participant');
  throw new Refusal('cautions-changed');
}

/** @throws Refusal `not-found` where the person is not the studio's */
export async function cautionsOf(
  db: Db,
  { studioId }: Scope,
  participantId: string,
): Promise<CarriedCaution[]> {
  const row = await db('participants')
    .where({ id: participantId, studio_id: studioId })
    .first('cautions');
  return z.array(carriedCautionSchema).parse(found(row, 'participant').cautions);
}
