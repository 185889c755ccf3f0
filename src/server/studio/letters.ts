import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import type { SessionStatus } from '@/core/calendar';
import type { Db } from '../db';
import { epochMs, maybeEpochMs } from '../rows';
import type { Scope } from '../scope';
import { metrics } from '../watch/metrics';
import { type Became, carry, inTurn, MINUTE_MS, type Waiting } from './carry';
import { fingerprint } from './links';
import { type Post, postFrom } from './post';

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
  /** When it is tried again, epoch ms; null where it is not. */
  tryAt: number | null;
}

export interface NewLetter extends Pick<Letter, 'recipient' | 'subject' | 'body'> {
  /** What is kept in place of the body once it was sent, where nobody else is to read that. */
  keptAs?: string;
  /** When it is of no use any more, epoch ms. */
  until?: number;
  /** What it says is so only while one of these sessions, if it is about any, has that status. */
  holds?: { sessionIds: readonly string[]; status: SessionStatus };
  /** The token of a link in it: once that is spent, taken back or run out, the letter is of no use. */
  link?: string;
}

/** What became of telling people something. */
export interface Told {
  /** How many letters were written. */
  written: number;
  /** How many of them the mail server took; null where there is none. */
  sent: number | null;
  /** How many it may still take, and is asked again to. */
  again: number;
  /** How many go out within minutes, since it takes long. */
  soon: number;
  /** Names of those concerned who have given no email. */
  without: string[];
}

/** Most letters that a studio keeps; the oldest go. */
export const MOST_LETTERS = 500;
/** Of letters that were not sent more are kept: nobody has them yet, and somebody may have to hand them on. */
export const MOST_WAITING = 1000;
/** For so long a letter is tried again at most; it should be four or five days (RFC 5321, 4.5.4.1). */
const TRIED_MS = 4 * 24 * 3_600_000;

const letterSchema = z
  .object({
    id: z.uuid(),
    recipient: z.string(),
    subject: z.string(),
    body: z.string(),
    written_at: epochMs,
    sent_at: maybeEpochMs,
    trouble: z.string().nullable(),
    try_at: maybeEpochMs,
  })
  .transform(
    ({ written_at, sent_at, try_at, ...row }): Letter => ({
      ...row,
      writtenAt: written_at,
      sentAt: sent_at,
      tryAt: try_at,
    }),
  );

interface By {
  now: number;
  /** Carries letters; null where there is no mail server. */
  post?: Post | null;
}

/**
 * Writes a letter into the studio's outbox and, where a mail server is configured, sends it. One that it did not take,
 * but may later, is tried again (`sendWaiting`).
 */
export async function writeLetter(
  db: Db,
  scope: Scope,
  { letter, now, post = postFrom(process.env) }: By & { letter: NewLetter },
): Promise<Became> {
  const [kept] = await keepLetters(db, scope, { letters: [letter], now, post });
  await dropOld(db, scope);
  if (kept && post) return send(db, kept, { now, post });
  metrics().letters.inc({ became: 'kept' });
  return 'kept';
}

/**
 * Keeps letters in the outbox, all of them before one is sent: none is lost where this process ends. In the transaction
 * of what they tell of they are kept with that, or not at all.
 */
export async function keepLetters(
  db: Db,
  { studioId }: Scope,
  { letters, now, post }: By & { letters: readonly NewLetter[] },
): Promise<Waiting[]> {
  const rows = letters.map(
    ({ keptAs, until = Number.POSITIVE_INFINITY, holds, link, ...said }) => ({
      id: randomUUID(),
      studio_id: studioId,
      ...said,
      written_at: new Date(now),
      until: new Date(Math.min(until, now + TRIED_MS)),
      kept_as: keptAs ?? null,
      about: holds?.sessionIds ?? [],
      about_status: holds?.status ?? null,
      link_hash: link ? fingerprint(link) : null,
      // Should this process end before it was sent, another one sends it.
      try_at: post ? new Date(now + MINUTE_MS) : null,
    }),
  );
  await db.batchInsert('letters', rows, 200);
  return rows.map(({ id, recipient, subject, body, kept_as }) => ({
    ...{ id, recipient, subject, body, keptAs: kept_as, tries: 0 },
  }));
}

/** Sends a letter, if nothing that was written to its address before has still to go. */
async function send(
  db: Db,
  letter: Waiting,
  by: { now: number; post: Post },
): ReturnType<typeof carry> {
  if (!(await inTurn(db).where({ id: letter.id }).first('id'))) return 'delayed';
  return carry(db, letter, by);
}

/** Drops letters beyond what is kept, those last of all that were not sent. */
async function dropOld(db: Db, { studioId }: Scope): Promise<void> {
  const old = (most: number) =>
    db('letters')
      .where({ studio_id: studioId })
      .whereNotIn(
        'id',
        db('letters')
          .where({ studio_id: studioId })
          .orderBy([
            { column: 'written_at', order: 'desc' },
            { column: 'id', order: 'desc' },
          ])
          .limit(most)
          .select('id'),
      );
  await old(MOST_LETTERS).whereNotNull('sent_at').delete();
  await old(MOST_WAITING).delete();
}

/** Whoever pressed something is kept waiting by letters for so long at most. */
const PATIENCE_MS = 4000;

function whileWaiting(): () => boolean {
  const since = performance.now();
  return () => performance.now() - since < PATIENCE_MS;
}

interface Sending extends By {
  /** Whether another one is sent at once. */
  hasTime?: () => boolean;
}
type BecameOfAll = Pick<Told, 'sent' | 'again' | 'soon'>;

/** Writes letters, and sends them. @returns what `sendKept` does */
export async function writeLetters(
  db: Db,
  scope: Scope,
  letters: readonly NewLetter[],
  { post = postFrom(process.env), ...by }: Sending,
): Promise<BecameOfAll> {
  const kept = await keepLetters(db, scope, { letters, now: by.now, post });
  return sendKept(db, scope, kept, { ...by, post });
}

/**
 * Sends letters that were kept, one after the other. Where the mail server is away it is not waited for each time, and
 * where it takes long the rest goes out within minutes: nobody waits at a page for a whole hall to be written to.
 * @returns how many it took, how many are tried again, and how many go out soon
 */
export async function sendKept(
  db: Db,
  scope: Scope,
  kept: readonly Waiting[],
  { now, post = postFrom(process.env), hasTime = whileWaiting() }: Sending,
): Promise<BecameOfAll> {
  await dropOld(db, scope);
  if (!post) {
    metrics().letters.inc({ became: 'kept' }, kept.length);
    return { sent: null, again: 0, soon: 0 };
  }
  let [sent, again] = [0, 0];
  for (const [i, letter] of kept.entries()) {
    const rest = kept.slice(i);
    if (!hasTime()) {
      const ids = rest.map(({ id }) => id);
      await db('letters')
        .whereIn('id', ids)
        .update({ try_at: new Date(now) });
      return { sent, again, soon: rest.length };
    }
    const became = await send(db, letter, { now, post });
    if (became === 'away') return { sent, again: again + rest.length, soon: 0 };
    if (became === 'sent') sent++;
    if (became === 'delayed') again++;
  }
  return { sent, again, soon: 0 };
}

/**
 * Who has the same letter since some time, or gets it yet, so that nobody has it twice. What a mail server refused
 * nobody has; where there is none, a letter that was written waits to be handed on.
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
    .modify((query) => post && query.whereRaw('coalesce(sent_at, try_at) is not null'))
    .pluck('recipient');
  return new Set(recipients);
}

/** How many letters a studio has written lately, of all kinds; no more are known than it keeps. */
export async function writtenSince(db: Db, { studioId }: Scope, since: number): Promise<number> {
  const row = await db('letters')
    .where({ studio_id: studioId })
    .where('written_at', '>=', new Date(since))
    .first(db.raw('count(*)::int as written'));
  return row.written;
}

/** The letters of a studio, the newest first. */
export async function lettersOf(db: Db, { studioId }: Scope): Promise<Letter[]> {
  const rows = await db('letters')
    .where({ studio_id: studioId })
    .orderBy('written_at', 'desc')
    .limit(MOST_WAITING);
  return z.array(letterSchema).parse(rows);
}
