import type { Db } from '../db';

const WINDOW_MS = 15 * 60_000;
const MOST_PER_EMAIL = 5;
const MOST_PER_ADDRESS = 50;

/** Failed sign-ins are counted in the database, so that every app process sees the same count. */
export async function mayTry(
  db: Db,
  email: string,
  address: string,
  now: number,
): Promise<boolean> {
  const since = new Date(now - WINDOW_MS);
  await db('sign_in_attempts').where('at', '<', since).delete();
  const [byEmail, byAddress] = await Promise.all(
    [emailKey(email), addressKey(address)].map((key) => failures(db, key, since)),
  );
  return (byEmail ?? 0) < MOST_PER_EMAIL && (byAddress ?? 0) < MOST_PER_ADDRESS;
}

export async function noteFailure(
  db: Db,
  email: string,
  address: string,
  now: number,
): Promise<void> {
  const at = new Date(now);
  await db('sign_in_attempts').insert([
    { key: emailKey(email), at },
    { key: addressKey(address), at },
  ]);
}

export async function forgetFailures(db: Db, email: string): Promise<void> {
  await db('sign_in_attempts')
    .where({ key: emailKey(email) })
    .delete();
}

const emailKey = (email: string) => `email ${email}`;
const addressKey = (address: string) => `address ${address}`;

async function failures(db: Db, key: string, since: Date): Promise<number> {
  const rows = await db('sign_in_attempts').where({ key }).where('at', '>=', since).count();
  return Number(rows[0]?.count);
}
