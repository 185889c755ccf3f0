import { Refusal } from '@/core/calls';
import { emailSchema } from '@/core/studio';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { type Post, writeLetter } from '../studio/letters';

/** Most people who are written to at once; the studio keeps no more letters than some such numbers. */
export const MOST_WRITTEN_TO = 100;

/**
 * Writes to some people, a letter each.
 * @returns how many were written, and the names of those who have given no email
 * @throws Refusal `too-many-letters`
 */
export async function writeTo(
  db: Db,
  scope: Scope,
  {
    ids,
    subject,
    body,
    now,
    post,
  }: { ids: readonly string[]; subject: string; body: string; now: number; post?: Post | null },
): Promise<{ written: number; without: string[] }> {
  if (ids.length > MOST_WRITTEN_TO) throw new Refusal('too-many-letters', String(MOST_WRITTEN_TO));
  const people: { name: string; contact: string | null }[] = await db('participants')
    .where({ studio_id: scope.studioId })
    .whereIn('id', [...ids])
    .orderByRaw('lower(name)')
    .select('name', 'contact');
  const without: string[] = [];
  let written = 0;
  for (const { name, contact } of people) {
    const recipient = emailSchema.safeParse(contact ?? '');
    if (!recipient.success) without.push(name);
    else {
      await writeLetter(db, scope, {
        letter: { recipient: recipient.data, subject, body },
        now,
        post,
      });
      written++;
    }
  }
  return { written, without };
}
