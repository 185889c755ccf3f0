import { randomBytes } from 'node:crypto';
import PQueue from 'p-queue';
import { Refusal, waitWords } from '@/core/calls';
import { countTry } from '../auth/attempts';
import { type Device, signInAs } from '../auth/sign-ins';
import type { Db } from '../db';
import { seedDemo } from './seed';

/** Visitors of a demo that is open to everybody: each has a studio of their own, for a day. */

const VISIT_MS = 24 * 3_600_000;
/** Most visits at a time. */
export const MOST_VISITS = 200;

/** One is made after another, since making one is work. */
const making = new PQueue({ concurrency: 1 });

/** Removes the studios of visits that are over. */
export async function sweepVisits(db: Db, now: number): Promise<void> {
  await db('studios').where('visit_ends_at', '<=', new Date(now)).delete();
}

/**
 * Makes a demo studio for a visitor and signs them in to it.
 * @returns the token of the sign-in
 * @throws Refusal `too-many-tries`, `demo-full`
 */
export async function visitDemo(
  db: Db,
  { address, device, now }: { address: string; device: Device; now: number },
): Promise<string> {
  const wait = await countTry(db, { account: `demo ${address}`, address: 'of all visits' }, now);
  if (wait > 0) throw new Refusal('too-many-tries', waitWords(wait));
  const teacherId = await making.add(async () => {
    await sweepVisits(db, now);
    const open = await db('studios')
      .whereNotNull('visit_ends_at')
      .first(db.raw('count(*)::int as n'));
    if (open.n >= MOST_VISITS) throw new Refusal('demo-full');
    const email = `ines.${randomBytes(6).toString('hex')}@tern-quay.example`;
    const visit = { email, endsAt: now + VISIT_MS };
    await seedDemo(db, randomBytes(24).toString('base64url'), now, visit);
    const teacher = await db('teachers').where({ email }).first('id');
    return teacher.id as string;
  });
  return signInAs(db, teacherId ?? '', now, device);
}
