import { z } from 'zod';
import type { Db } from '../db';
import { maybeEpochMs } from '../rows';
import { metrics } from '../watch/metrics';
import { unspent } from './links';
import { failureOf, type Post, type Posted, postFrom } from './post';

/** How letters of the studios come to the mail server, again where it did not take them at first. */

export const MINUTE_MS = 60_000;
const LONGEST_PAUSE_MS = 30 * MINUTE_MS;

/**
 * What becomes of a letter: kept where no mail server sends it, refused for good, or delayed and tried again. Where the
 * mail server is away it is tried again too, and the next letter would fare no better.
 */
export type Became = 'kept' | 'sent' | 'refused' | 'delayed' | 'away';

/** A letter that the mail server has not taken yet. */
export interface Waiting extends Posted {
  /** What is kept in place of the body once it was sent. */
  keptAs: string | null;
  /** How often it was tried before. */
  tries: number;
}

interface By {
  now: number;
  post: Post;
}

/** When a letter is tried again after so many tries that failed: later each time. */
const nextTry = (now: number, tries: number): Date =>
  new Date(now + Math.min(LONGEST_PAUSE_MS, MINUTE_MS * 2 ** tries));

/** Gives the mail server a letter of the outbox, and notes what became of it. */
export async function carry(
  db: Db,
  { keptAs, tries, ...letter }: Waiting,
  { now, post }: By,
): Promise<Exclude<Became, 'kept'>> {
  const { id } = letter;
  const note = (change: object) => db('letters').where({ id }).update(change);
  try {
    await post(letter);
  } catch (error) {
    const { trouble, isAway, mayPass } = failureOf(error);
    metrics().letters.inc({ became: 'refused' });
    await note({ trouble, tries: tries + 1, try_at: mayPass ? nextTry(now, tries) : null });
    if (isAway) return 'away';
    return mayPass ? 'delayed' : 'refused';
  }
  metrics().letters.inc({ became: 'sent' });
  await note({
    ...{ sent_at: new Date(now), try_at: null, trouble: null, kept_as: null },
    ...(keptAs !== null && { body: keptAs }),
  });
  return 'sent';
}

const NOT_SO_ANY_MORE = 'what it says is not so any more';
const TOO_LATE = 'the mail server did not take it while it was of use';

/**
 * Sends letters that wait, until the mail server is away or none is left: the studios take turns, and of each the one goes
 * first that waits longest. What is not so any more by then, or of no use, is not sent.
 * @returns how many went
 */
export async function sendWaiting(
  db: Db,
  { now, post = postFrom(process.env) }: { now: () => number; post?: Post | null },
): Promise<number> {
  let sent = 0;
  if (!post) return sent;
  /** Studios that had their turn. */
  let served: string[] = [];
  for (;;) {
    const at = now();
    const next = await nextWaiting(db, at, served);
    if (!next) return sent;
    const { until, holds, studioId, ...letter } = next;
    served = served.includes(studioId) ? [studioId] : [...served, studioId];
    if (!holds || (until !== null && until <= at)) {
      const trouble = holds ? TOO_LATE : NOT_SO_ANY_MORE;
      await db('letters').where({ id: letter.id }).update({ trouble, try_at: null });
      continue;
    }
    const became = await carry(db, letter, { now: at, post });
    if (became === 'sent') sent++;
    if (became === 'away') return sent;
  }
}

const waitingSchema = z
  .object({
    id: z.uuid(),
    studio_id: z.uuid(),
    recipient: z.string(),
    subject: z.string(),
    body: z.string(),
    kept_as: z.string().nullable(),
    tries: z.number(),
    until: maybeEpochMs,
    holds: z.boolean(),
  })
  .transform(({ kept_as: keptAs, studio_id: studioId, ...row }) => ({ ...row, keptAs, studioId }));

/**
 * Letters that are in their turn: of those that tell somebody of sessions, the one that was written first. What was
 * written later may be that it is all different again.
 */
export const inTurn = (db: Db) =>
  db('letters').whereNotExists(
    db('letters as before')
      .whereRaw('cardinality(letters.about) > 0 and cardinality(before.about) > 0')
      .whereRaw('before.studio_id = letters.studio_id and before.recipient = letters.recipient')
      .whereRaw('before.written_at < letters.written_at')
      .whereNotNull('before.try_at'),
  );

/** The next letter to be tried, of a studio that had no turn where there is one. No other process tries it meanwhile. */
async function nextWaiting(db: Db, now: number, served: readonly string[]) {
  const next = inTurn(db)
    .where('try_at', '<=', new Date(now))
    .orderByRaw('letters.studio_id = any(?::uuid[]), try_at', [[...served]])
    .limit(1)
    .forUpdate()
    .skipLocked()
    .select('id');
  // Of several sessions some may be otherwise by now: of these a letter that was written later tells, and follows.
  const isStillSo = db('sessions')
    .whereRaw('sessions.studio_id = letters.studio_id and sessions.id = any(letters.about)')
    .whereRaw('sessions.status = letters.about_status')
    .select(db.raw('1'));
  const opens = unspent(db, now)
    .whereRaw('links.token_hash = letters.link_hash')
    .select(db.raw('1'));
  const rows = await db('letters')
    .where('id', '=', next)
    .update({ try_at: new Date(now + MINUTE_MS) })
    .returning([
      ...['id', 'studio_id', 'recipient', 'subject', 'body', 'kept_as', 'tries', 'until'],
      db.raw('(cardinality(about) = 0 or exists ?) and (link_hash is null or exists ?) as holds', [
        isStillSo,
        opens,
      ]),
    ]);
  return z.array(waitingSchema).parse(rows)[0];
}
