import { z } from 'zod';
import type { Db } from '../db';
import { erasePerson } from '../people/erase';

/** A backup that took the place of a database: what has happened since must not happen again, or be undone. */

/** What the database held that a backup replaced. */
export const replacedSchema = z.object({
  /** Ids of the studios. */
  studios: z.array(z.uuid()),
  /** Ids of all teachers. */
  teachers: z.array(z.uuid()),
  /** Ids of people who were erased. */
  erased: z.array(z.uuid()),
  /** Whether they are to be there again. */
  unerase: z.boolean(),
});
export type Replaced = z.infer<typeof replacedSchema>;

/** What was done, and what is left to be done by hand. */
export interface Settled {
  signedOut: number;
  heldLetters: number;
  /** How many people the backup held who were erased since. */
  erased: number;
  /** Emails of teachers who had been removed, and are there again. */
  back: string[];
  /** Names of studios that had been deleted, and are there again. */
  studios: string[];
}

export const HELD_BACK =
  'it stood in a backup that was put back, and may have gone before; hand it on if it has not';

/**
 * Brings in order what a backup brings back: all devices have to sign in anew, since one that was stolen may be among
 * them; letters that were on their way stay here, since most have arrived; whoever was erased since is erased again.
 * Nothing changes where it is done twice.
 * @param now epoch ms
 */
export async function settleRestored(
  db: Db,
  { studios, teachers, erased, unerase }: Replaced,
  now: number,
): Promise<Settled> {
  return db.transaction(async (trx) => {
    const signedOut = await trx('sign_ins')
      .whereNull('revoked_at')
      .update({ revoked_at: new Date(now) });
    const heldLetters = await trx('letters')
      .whereNotNull('try_at')
      .update({ try_at: null, trouble: HELD_BACK });
    const people = await trx('participants').whereIn('id', erased).select('id', 'studio_id');
    for (const { id, studio_id: studioId } of unerase ? [] : people) {
      await erasePerson(trx, { studioId }, id);
    }
    const were = new Set(teachers);
    const here = await trx('teachers')
      .whereIn('studio_id', studios)
      .orderBy('email')
      .select('id', 'email');
    const back = here.filter(({ id }) => !were.has(id)).map(({ email }) => email);
    // Where nothing was before, as on a new machine, nothing had been deleted either.
    const undeleted: string[] =
      studios.length === 0
        ? []
        : await trx('studios')
            .whereNotIn('id', studios)
            .where({ is_demo: false })
            .orderBy('name')
            .pluck('name');
    return { signedOut, heldLetters, erased: people.length, back, studios: undeleted };
  });
}

const counted = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

/** What whoever put a backup back has to know. */
export function settledWords(
  { signedOut, heldLetters, erased, back, studios }: Settled,
  { unerase }: Pick<Replaced, 'unerase'>,
): string[] {
  const [many, one] = unerase
    ? ['are there again', 'is there again']
    : ['stay erased', 'stays erased'];
  return [
    signedOut > 0 && 'Everybody has to sign in anew, with the password they had then.',
    heldLetters > 0 &&
      `${counted(heldLetters, '1 letter that was', 'letters that were')} on ${heldLetters === 1 ? 'its' : 'their'} way may have gone before, and ${heldLetters === 1 ? 'is' : 'are'} not sent again: see the letters of the studio.`,
    erased > 0 &&
      `${counted(erased, 'Somebody who was', 'people who were')} erased since ${erased === 1 ? one : many}.`,
    back.length > 0 &&
      `Teachers who were removed since are there again, and can sign in: ${back.join(', ')}.`,
    studios.length > 0 && `Studios that were deleted since are there again: ${studios.join(', ')}.`,
    'Links to people’s own pages are those of then.',
  ].filter((line) => line !== false);
}
