import { randomUUID } from 'node:crypto';
import { createTransport } from 'nodemailer';
import { z } from 'zod';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import type { Scope } from '../scope';
import { metrics } from '../watch/metrics';

/** A letter of the studio, as its owners read it. */
export interface Letter {
  id: string;
  recipient: string;
  subject: string;
  body: string;
  writtenAt: number;
  sentAt: number | null;
  /** Why the mail server did not take it. */
  trouble: string | null;
}

export interface NewLetter extends Pick<Letter, 'recipient' | 'subject' | 'body'> {
  /** What is kept in place of the body once it was sent, where nobody else is to read that. */
  keptAs?: string;
}

/** What became of telling people something. */
export interface Told {
  /** How many letters were written. */
  written: number;
  /** How many of them the mail server took; null where there is none. The others wait in the outbox. */
  sent: number | null;
  /** Names of those concerned who have given no email. */
  without: string[];
}

/** Carries letters to people. @throws Error where it could not */
export type Post = (letter: NewLetter) => Promise<void>;

/** Most letters that a studio keeps; the oldest go. */
export const MOST_LETTERS = 200;
const PATIENCE_MS = 10_000;

/** The mail server that is configured; null where letters only wait in the outbox. */
export function postFrom(env: NodeJS.ProcessEnv): Post | null {
  const url = env.UPBEAT_SMTP_URL;
  if (!url) return null;
  const transport = createTransport(url, {
    from: env.UPBEAT_MAIL_FROM ?? 'Up Beat <up-beat@localhost>',
  });
  return async ({ recipient, subject, body }) => {
    const late = new Promise<never>((_, reject) => {
      setTimeout(
        () => reject(new Error('The mail server did not answer in time.')),
        PATIENCE_MS,
      ).unref();
    });
    await Promise.race([transport.sendMail({ to: recipient, subject, text: body }), late]);
  };
}

const letterSchema = z
  .object({
    id: z.uuid(),
    recipient: z.string(),
    subject: z.string(),
    body: z.string(),
    written_at: epochMs,
    sent_at: maybeEpochMs,
    trouble: z.string().nullable(),
  })
  .transform(
    ({ written_at, sent_at, ...row }): Letter => ({
      ...row,
      writtenAt: written_at,
      sentAt: sent_at,
    }),
  );

/**
 * Writes a letter into the studio's outbox and, where a mail server is configured, sends it.
 * @param post carries it; null where it is only to wait
 * @returns what became of it: where it was refused the next one may be sent, where the server is away none is
 */
export async function writeLetter(
  db: Db,
  { studioId }: Scope,
  {
    letter,
    now,
    post = postFrom(process.env),
  }: { letter: NewLetter; now: number; post?: Post | null },
): Promise<'kept' | 'sent' | 'refused' | 'away'> {
  const id = randomUUID();
  await db('letters').insert({
    id,
    studio_id: studioId,
    recipient: letter.recipient,
    subject: letter.subject,
    body: letter.body,
    written_at: new Date(now),
  });
  const kept = db('letters')
    .where({ studio_id: studioId })
    .orderBy([
      { column: 'written_at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(MOST_LETTERS)
    .select('id');
  await db('letters').where({ studio_id: studioId }).whereNotIn('id', kept).delete();
  if (!post) {
    metrics().letters.inc({ became: 'kept' });
    return 'kept';
  }
  try {
    await post(letter);
    await db('letters')
      .where({ id })
      .update({ sent_at: new Date(now), ...(letter.keptAs && { body: letter.keptAs }) });
    metrics().letters.inc({ became: 'sent' });
    return 'sent';
  } catch (error) {
    const trouble = error instanceof Error ? error.message : String(error);
    metrics().letters.inc({ became: 'refused' });
    await db('letters').where({ id }).update({ trouble });
    return isAboutLetter(error) ? 'refused' : 'away';
  }
}

/** An address that the mail server refuses says nothing of the next letter; so the library calls that (RFC 5321, 4.2). */
const isAboutLetter = (error: unknown): boolean =>
  error instanceof Error && 'code' in error && error.code === 'EENVELOPE';

/**
 * Writes letters, one after the other. Where the mail server is away it is not waited for each time: the others wait.
 * @returns how many it took; null where there is none
 */
export async function writeLetters(
  db: Db,
  scope: Scope,
  letters: readonly NewLetter[],
  { now, post = postFrom(process.env) }: { now: number; post?: Post | null },
): Promise<number | null> {
  let carrier = post;
  let sent = 0;
  for (const letter of letters) {
    const became = await writeLetter(db, scope, { letter, now, post: carrier });
    if (became === 'sent') sent++;
    if (became === 'away') carrier = null;
  }
  return post ? sent : null;
}

/**
 * Who has the same letter since some time, so that nobody gets it twice. What a mail server did not take nobody has;
 * where there is none, a letter that was written waits to be handed on.
 */
export async function alreadyWritten(
  db: Db,
  { studioId }: Scope,
  {
    subject,
    body,
    since,
    post,
  }: Pick<NewLetter, 'subject' | 'body'> & { since: number; post: Post | null },
): Promise<ReadonlySet<string>> {
  const recipients: string[] = await db('letters')
    .where({ studio_id: studioId, subject, body })
    .where('written_at', '>=', new Date(since))
    .modify((query) => post && query.whereNotNull('sent_at'))
    .pluck('recipient');
  return new Set(recipients);
}

/** The letters of a studio, the newest first. */
export async function lettersOf(db: Db, { studioId }: Scope): Promise<Letter[]> {
  const rows = await db('letters')
    .where({ studio_id: studioId })
    .orderBy('written_at', 'desc')
    .limit(MOST_LETTERS);
  return z.array(letterSchema).parse(rows);
}
