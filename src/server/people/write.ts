import { Refusal } from '@/core/calls';
import { emailSchema } from '@/core/studio';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { alreadyWritten, type Told, writeLetters, writtenSince } from '../studio/letters';
import { type Post, postFrom } from '../studio/post';

/** Most people who are written to at once; the studio keeps no more letters than some such numbers. */
export const MOST_WRITTEN_TO = 100;

/**
 * Letters after which nobody is written to by hand for the rest of a day. Fewer than are kept, so that they can be
 * counted, and what is told of sessions by itself is not dropped for them.
 */
export const MOST_A_DAY = 400;
const DAY_MS = 24 * 3_600_000;

/** Whoever had the very same letter in that time is not written it again: an answer was lost, or a button pressed twice. */
const SAME_MS = 3_600_000;

/**
 * Writes to some people, a letter each.
 * @returns how many were written and sent, how many had the same one already, and who has given no email
 * @throws Refusal `too-many-letters`, `letters-today`
 */
export async function writeTo(
  db: Db,
  scope: Scope,
  {
    ids,
    subject,
    body,
    now,
    post = postFrom(process.env),
  }: { ids: readonly string[]; subject: string; body: string; now: number; post?: Post | null },
): Promise<Told & { already: number }> {
  if (ids.length > MOST_WRITTEN_TO) throw new Refusal('too-many-letters', String(MOST_WRITTEN_TO));
  const people: { name: string; contact: string | null }[] = await db('participants')
    .where({ studio_id: scope.studioId })
    .whereIn('id', [...ids])
    .orderByRaw('lower(name)')
    .select('name', 'contact');
  const without: string[] = [];
  // Some have one address together: what is the same for all goes there once.
  const addresses = new Set<string>();
  for (const { name, contact } of people) {
    const recipient = emailSchema.safeParse(contact ?? '');
    if (recipient.success) addresses.add(recipient.data);
    else without.push(name);
  }
  const had = await alreadyWritten(db, scope, { subject, body, since: now - SAME_MS, post });
  const recipients = [...addresses];
  const letters = recipients
    .filter((recipient) => !had.has(recipient))
    .map((recipient) => ({ recipient, subject, body }));
  const today = await writtenSince(db, scope, now - DAY_MS);
  if (letters.length > 0 && today + letters.length > MOST_A_DAY) {
    throw new Refusal('letters-today', String(MOST_A_DAY));
  }
  const became = await writeLetters(db, scope, letters, { now, post });
  const already = recipients.length - letters.length;
  return { written: letters.length, ...became, already, without };
}
