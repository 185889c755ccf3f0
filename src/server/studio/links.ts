import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { type Role, roleSchema } from '@/core/studio';
import type { Db } from '../db';

/** Links that let somebody in once: to make a studio, to join one, or to choose a new password. */

const HOUR_MS = 3_600_000;
const LASTS_MS = { begin: 7 * 24 * HOUR_MS, join: 7 * 24 * HOUR_MS, reset: HOUR_MS } as const;
export type LinkKind = keyof typeof LASTS_MS;

export interface LinkOf {
  studioId?: string;
  teacherId?: string;
  email?: string;
  role?: Role;
}

export interface Link {
  id: string;
  studioId: string | null;
  teacherId: string | null;
  email: string | null;
  role: Role | null;
}

const linkSchema = z
  .object({
    id: z.uuid(),
    studio_id: z.uuid().nullable(),
    teacher_id: z.uuid().nullable(),
    email: z.string().nullable(),
    role: roleSchema.nullable(),
  })
  .transform(
    (row): Link => ({
      id: row.id,
      studioId: row.studio_id,
      teacherId: row.teacher_id,
      email: row.email,
      role: row.role,
    }),
  );

/** What is kept of a link's token. */
export const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/** Makes a link; its token goes into an address, and only its hash is kept. */
export async function makeLink(
  db: Db,
  kind: LinkKind,
  { of, now }: { of: LinkOf; now: number },
): Promise<string> {
  const token = randomBytes(24).toString('base64url');
  await db('links').insert({
    id: randomUUID(),
    kind,
    token_hash: fingerprint(token),
    studio_id: of.studioId ?? null,
    teacher_id: of.teacherId ?? null,
    email: of.email ?? null,
    role: of.role ?? null,
    created_at: new Date(now),
    expires_at: new Date(now + LASTS_MS[kind]),
  });
  return token;
}

/** Links that were not used yet and have not run out. */
export const unspent = (db: Db, now: number) =>
  db('links').whereNull('used_at').where('expires_at', '>', new Date(now));

const open = (db: Db, kind: LinkKind, { token, now }: { token: string; now: number }) =>
  unspent(db, now).where({ kind, token_hash: fingerprint(token) });

/** What a link is for, without using it; null where it was used or has run out. */
export async function findLink(
  db: Db,
  kind: LinkKind,
  asked: { token: string; now: number },
): Promise<Link | null> {
  const row = await open(db, kind, asked).first();
  return row ? linkSchema.parse(row) : null;
}

/** Uses a link, so that it works no more. Of two who use it at once, one is refused. @throws Refusal `link-spent` */
export async function spendLink(
  db: Db,
  kind: LinkKind,
  asked: { token: string; now: number },
): Promise<Link> {
  const rows = await open(db, kind, asked)
    .update({ used_at: new Date(asked.now) })
    .returning(['id', 'studio_id', 'teacher_id', 'email', 'role']);
  if (!rows[0]) throw new Refusal('link-spent');
  return linkSchema.parse(rows[0]);
}

/** Forgets links that have run out, and with them whom they invited. @param now epoch ms */
export async function forgetLinks(db: Db, now: number): Promise<void> {
  await db('links').where('expires_at', '<=', new Date(now)).delete();
}
