import type { Db } from '../db';

/**
 * Tries at a password are counted before it is looked at, in the database, so that many at once and several processes
 * count as one after another. After some that failed the next has to wait, longer each time. Strangers wait for
 * strangers only: a device that has signed in to the account before is counted by itself, so that nobody can keep a
 * teacher out.
 */

const WINDOW_MS = 15 * 60_000;
const FIRST_DELAY_MS = 1000;
const LONGEST_DELAY_MS = 5 * 60_000;
/** So many may fail before anybody waits: on one account or one device, from one address, and codes of classes from there. */
const FREE = { account: 5, device: 5, address: 50, codes: 100 } as const;

/** Who tries. */
export interface Tries {
  /** What is tried: an email, or another thing of which there is one for each account. */
  account: string;
  address: string;
  /** A device that was signed in to this account before. */
  device?: string;
}

/** Somebody tries codes of classes that are followed. A whole hall may come from one address. */
export interface Guesses {
  guessesFrom: string;
}

/** How long the next try has to wait after so many failures, in ms. */
export function delayAfter(failures: number, free: number): number {
  if (failures < free) return 0;
  return Math.min(LONGEST_DELAY_MS, FIRST_DELAY_MS * 2 ** (failures - free));
}

function keysOf(tries: Tries | Guesses): { key: string; free: number }[] {
  if ('guessesFrom' in tries) return [{ key: `codes ${tries.guessesFrom}`, free: FREE.codes }];
  const { account, address, device } = tries;
  if (device) return [{ key: `device ${device} ${account}`, free: FREE.device }];
  return [
    { key: `account ${account}`, free: FREE.account },
    { key: `address ${address}`, free: FREE.address },
  ];
}

/**
 * Counts a try as failed until it is known to be right, and says how long it has to wait first, in ms. A try that has
 * to wait is not counted.
 */
export async function countTry(db: Db, tries: Tries | Guesses, now: number): Promise<number> {
  const keys = keysOf(tries);
  const since = new Date(now - WINDOW_MS);
  return db.transaction(async (trx) => {
    // Always in the same order, so that no two wait for each other.
    for (const key of keys.map((k) => k.key).toSorted()) {
      await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [key]);
    }
    await trx('sign_in_attempts').where('at', '<', since).delete();
    let wait = 0;
    for (const { key, free } of keys) {
      const row = await trx('sign_in_attempts')
        .where({ key })
        .first(trx.raw('count(*)::int as failures'), trx.raw('max(at) as last'));
      const delay = delayAfter(row.failures, free);
      if (delay > 0) wait = Math.max(wait, row.last.getTime() + delay - now);
    }
    if (wait > 0) return wait;
    const at = new Date(now);
    await trx('sign_in_attempts').insert(keys.map(({ key }) => ({ key, at })));
    return 0;
  });
}

/**
 * The try was right: what failed on the account, or on the device, is forgotten, and of its address this try alone. A
 * whole studio may sign in from one.
 */
export async function forgetTries(db: Db, tries: Tries): Promise<void> {
  const [own, address] = keysOf(tries);
  await db('sign_in_attempts')
    .where({ key: own?.key ?? '' })
    .delete();
  if (address) await forgetLast(db, address.key);
}

/** The try that was counted last was right: it is forgotten, and those before it are not. */
export async function forgetLastTry(db: Db, tries: Guesses): Promise<void> {
  const [own] = keysOf(tries);
  await forgetLast(db, own?.key ?? '');
}

async function forgetLast(db: Db, key: string): Promise<void> {
  await db.raw(
    `delete from sign_in_attempts where ctid in
       (select ctid from sign_in_attempts where key = ? order by at desc limit 1)`,
    [key],
  );
}
