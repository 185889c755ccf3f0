import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { MOST_SAID_WORDS, type SaidWord, saidWordSchema } from '@/core/speech';
import type { Db } from '../db';
import { found, type Scope } from '../scope';

const rowSchema = saidWordSchema.extend({ id: z.uuid() });
export type KeptSaidWord = z.infer<typeof rowSchema>;

/** How a studio wants some words said, in the order of what is written. */
export async function saidWords(db: Db, { studioId }: Scope): Promise<KeptSaidWord[]> {
  const rows = await db('said_words')
    .where({ studio_id: studioId })
    .orderBy(['language', 'written'])
    .select('id', 'language', 'written', 'said');
  return z.array(rowSchema).parse(rows);
}

/**
 * Keeps how a word is to be said; what was kept of the same word goes.
 * @throws Refusal `too-many-words`
 */
export async function keepSaidWord(
  db: Db,
  { studioId }: Scope,
  { language, written, said }: SaidWord,
  now: number,
): Promise<KeptSaidWord> {
  return db.transaction(async (trx) => {
    // Two at once see one another's.
    await trx('studios').where({ id: studioId }).forUpdate().first('id');
    const rows = await trx('said_words')
      .where({ studio_id: studioId })
      .whereRaw('not (language = ? and lower(written) = lower(?))', [language, written])
      .count();
    if (Number(rows[0]?.count) >= MOST_SAID_WORDS) {
      throw new Refusal('too-many-words', String(MOST_SAID_WORDS));
    }
    await trx('said_words')
      .where({ studio_id: studioId, language })
      .whereRaw('lower(written) = lower(?)', [written])
      .delete();
    const row = { id: randomUUID(), language, written, said };
    await trx('said_words').insert({ ...row, studio_id: studioId, created_at: new Date(now) });
    return row;
  });
}

/** Forgets it: the word is said as the voice says it. */
export async function removeSaidWord(db: Db, { studioId }: Scope, id: string): Promise<void> {
  const rows = await db('said_words').where({ id, studio_id: studioId }).delete().returning('id');
  found(rows[0], 'word');
}
