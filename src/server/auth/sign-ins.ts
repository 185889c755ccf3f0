import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type Role, roleSchema } from '@/core/studio';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { forgetFailures, mayTry, noteFailure } from './attempts';
import { passwordFits } from './passwords';

export const SIGN_IN_DAYS = 30;
/** The cookie that carries the token. */
export const SIGN_IN_COOKIE = 'upbeat_sign_in';

/** The teacher behind a request, and with it the studio every query is scoped to. */
export interface Teacher extends Scope {
  id: string;
  name: string;
  studioName: string;
  timeZone: string;
  role: Role;
}

const teacherSchema = z
  .object({
    id: z.uuid(),
    name: z.string(),
    studio_id: z.uuid(),
    studio_name: z.string(),
    time_zone: z.string(),
    role: roleSchema,
  })
  .transform(
    (row): Teacher => ({
      id: row.id,
      name: row.name,
      studioId: row.studio_id,
      studioName: row.studio_name,
      timeZone: row.time_zone,
      role: row.role,
    }),
  );

export type SignInAnswer =
  | { ok: true; token: string }
  | { ok: false; reason: 'wrong' | 'too many' };

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/** Signs in whoever has shown in another way who they are, such as by a link. */
export async function signInAs(db: Db, teacherId: string, now: number): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await db('sign_ins').insert({
    id: randomUUID(),
    teacher_id: teacherId,
    token_hash: fingerprint(token),
    created_at: new Date(now),
    expires_at: new Date(now + SIGN_IN_DAYS * 86_400_000),
  });
  return token;
}

/** Signs a teacher in by email and password. The token goes into the cookie; only its hash is kept. */
export async function signIn(
  db: Db,
  given: { email: string; password: string; address: string },
  now: number,
): Promise<SignInAnswer> {
  const email = given.email.toLowerCase();
  if (!(await mayTry(db, email, given.address, now))) return { ok: false, reason: 'too many' };
  const teacher = await db('teachers').where({ email }).first('id', 'password_hash');
  if (!(await passwordFits(teacher?.password_hash, given.password))) {
    await noteFailure(db, email, given.address, now);
    return { ok: false, reason: 'wrong' };
  }
  await forgetFailures(db, email);
  return { ok: true, token: await signInAs(db, teacher.id, now) };
}

/** Signs in to the demo studio without a password; null where there is none. */
export async function signInToDemo(db: Db, now: number): Promise<string | null> {
  const teacher = await db('teachers')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where('studios.is_demo', true)
    .orderBy('teachers.created_at')
    .first('teachers.id');
  return teacher ? signInAs(db, teacher.id, now) : null;
}

/** The teacher a token belongs to, unless it has run out or was revoked. */
export async function teacherOf(db: Db, token: string, now: number): Promise<Teacher | null> {
  const row = await db('sign_ins')
    .join('teachers', 'teachers.id', 'sign_ins.teacher_id')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where('sign_ins.token_hash', fingerprint(token))
    .whereNull('sign_ins.revoked_at')
    .where('sign_ins.expires_at', '>', new Date(now))
    .first(
      'teachers.id',
      'teachers.name',
      'teachers.studio_id',
      'studios.name as studio_name',
      'studios.time_zone',
      'teachers.role',
    );
  return row ? teacherSchema.parse(row) : null;
}

export async function signOut(db: Db, token: string, now: number): Promise<void> {
  await db('sign_ins')
    .where({ token_hash: fingerprint(token) })
    .whereNull('revoked_at')
    .update({ revoked_at: new Date(now) });
}

/** Ends every sign-in of a teacher, on all devices. */
export async function signOutEverywhere(db: Db, teacherId: string, now: number): Promise<void> {
  await db('sign_ins')
    .where({ teacher_id: teacherId })
    .whereNull('revoked_at')
    .update({ revoked_at: new Date(now) });
}
