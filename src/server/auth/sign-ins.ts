import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type Role, roleSchema } from '@/core/studio';
import { asBefore, type Db } from '../db';
import { found, type Scope } from '../scope';
import { countTry, forgetTries } from './attempts';
import { demoIsOn } from './demo';
import { passwordFits } from './passwords';

export const SIGN_IN_DAYS = 30;
/** A device that was not used for so long is signed out before that. */
export const IDLE_DAYS = 14;
/** How long a device is known again, after it was signed in last. */
export const KNOWN_DAYS = 365;
/** Whoever opens a class to lead it stays signed in for at least so long, so that it does not end in the middle. */
export const CLASS_HOURS = 12;
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** How exactly it is known when a device was seen last. */
const SEEN_EVERY_MS = 10 * 60_000;
const MOST_SHOWN = 50;
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

/** Why it was not let in, and how long the next try has to wait. */
export type SignInAnswer =
  | { ok: true; token: string }
  | { ok: false; reason: 'wrong' }
  | { ok: false; reason: 'wait'; ms: number };

const fingerprint = (token: string) => createHash('sha256').update(token).digest('hex');

/** The browser that signs in. */
export interface Device {
  /** As people know it, such as "Firefox on Linux". */
  name: string;
  /** What it keeps to be known again. */
  token: string;
}

/** Signs in whoever has shown in another way who they are, such as by a link. */
export async function signInAs(
  db: Db,
  teacherId: string,
  now: number,
  device?: Device,
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await db('sign_ins').insert({
    id: randomUUID(),
    teacher_id: teacherId,
    token_hash: fingerprint(token),
    created_at: new Date(now),
    seen_at: new Date(now),
    expires_at: new Date(now + SIGN_IN_DAYS * DAY_MS),
    device_name: device?.name ?? null,
    device_hash: device ? fingerprint(device.token) : null,
  });
  return token;
}

/** Signs a teacher in by email and password. The token goes into the cookie; only its hash is kept. */
export async function signIn(
  db: Db,
  given: { email: string; password: string; address: string; device?: Device },
  now: number,
): Promise<SignInAnswer> {
  const email = given.email.toLowerCase();
  const teacher = await db('teachers')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where({ email })
    .first('teachers.id', 'teachers.password_hash', 'studios.is_demo');
  const hash = given.device && fingerprint(given.device.token);
  const known =
    hash &&
    teacher &&
    (await db('sign_ins').where({ teacher_id: teacher.id, device_hash: hash }).first('id'));
  const tries = { account: email, address: given.address, ...(known && { device: hash }) };
  const ms = await countTry(db, tries, now);
  if (ms > 0) return { ok: false, reason: 'wait', ms };
  const fits = await passwordFits(teacher?.password_hash, given.password);
  if (!fits || (teacher.is_demo && !demoIsOn())) return { ok: false, reason: 'wrong' };
  await forgetTries(db, tries);
  return { ok: true, token: await signInAs(db, teacher.id, now, given.device) };
}

/** Signs in to the demo studio that everybody shares, without a password; null where there is none. */
export async function signInToDemo(db: Db, now: number, device?: Device): Promise<string | null> {
  const teacher = await db('teachers')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where({ 'studios.is_demo': true, 'studios.visit_ends_at': null })
    .orderBy('teachers.created_at')
    .first('teachers.id');
  return teacher ? signInAs(db, teacher.id, now, device) : null;
}

/**
 * The teacher a token belongs to, unless it has run out, was revoked or has not been used for too long; nobody in a
 * demo that is switched off.
 */
export async function teacherOf(db: Db, token: string, now: number): Promise<Teacher | null> {
  const row = await db('sign_ins')
    .options(asBefore('teacher-of'))
    .join('teachers', 'teachers.id', 'sign_ins.teacher_id')
    .join('studios', 'studios.id', 'teachers.studio_id')
    .where('sign_ins.token_hash', fingerprint(token))
    .whereNull('sign_ins.revoked_at')
    .where('sign_ins.expires_at', '>', new Date(now))
    .where('sign_ins.seen_at', '>', new Date(now - IDLE_DAYS * DAY_MS))
    .where((visits) =>
      visits
        .whereNull('studios.visit_ends_at')
        .orWhere('studios.visit_ends_at', '>', new Date(now)),
    )
    .first(
      'sign_ins.id as sign_in_id',
      'sign_ins.seen_at',
      'studios.is_demo',
      'teachers.id',
      'teachers.name',
      'teachers.studio_id',
      'studios.name as studio_name',
      'studios.time_zone',
      'teachers.role',
    );
  if (!row || (row.is_demo && !demoIsOn())) return null;
  if (now - row.seen_at.getTime() > SEEN_EVERY_MS) {
    await db('sign_ins')
      .where({ id: row.sign_in_id })
      .update({ seen_at: new Date(now) });
  }
  return teacherSchema.parse(row);
}

/** A device on which a teacher is signed in. */
export interface SignedIn {
  id: string;
  name: string;
  since: number;
  seen: number;
  /** Whether it is the one that asks. */
  here: boolean;
}

/** Where a teacher is signed in, the one seen last first. */
export async function signInsOf(
  db: Db,
  teacherId: string,
  { token, now }: { token: string; now: number },
): Promise<SignedIn[]> {
  const rows = await db('sign_ins')
    .where({ teacher_id: teacherId, revoked_at: null })
    .where('expires_at', '>', new Date(now))
    .where('seen_at', '>', new Date(now - IDLE_DAYS * DAY_MS))
    .orderBy('seen_at', 'desc')
    .limit(MOST_SHOWN)
    .select('id', 'device_name', 'created_at', 'seen_at', 'token_hash');
  return rows.map((row) => ({
    id: row.id,
    name: row.device_name ?? 'A device',
    since: row.created_at.getTime(),
    seen: row.seen_at.getTime(),
    here: row.token_hash === fingerprint(token),
  }));
}

/** Signs one device of a teacher out. @throws Refusal `not-found` */
export async function signOutDevice(
  db: Db,
  teacherId: string,
  { id, now }: { id: string; now: number },
): Promise<void> {
  const rows = await db('sign_ins')
    .where({ id, teacher_id: teacherId, revoked_at: null })
    .update({ revoked_at: new Date(now) })
    .returning('id');
  found(rows[0], 'device');
}

export async function signOut(db: Db, token: string, now: number): Promise<void> {
  await db('sign_ins')
    .where({ token_hash: fingerprint(token) })
    .whereNull('revoked_at')
    .update({ revoked_at: new Date(now) });
}

/** Keeps a sign-in that would run out within the hours of a class until these are over. */
export async function staySignedIn(db: Db, token: string, now: number): Promise<void> {
  const until = new Date(now + CLASS_HOURS * HOUR_MS);
  await db('sign_ins')
    .where({ token_hash: fingerprint(token) })
    .whereNull('revoked_at')
    .whereBetween('expires_at', [new Date(now), until])
    .update({ expires_at: until });
}

/** Ends every sign-in of a teacher, on all devices. */
export async function signOutEverywhere(db: Db, teacherId: string, now: number): Promise<void> {
  await db('sign_ins')
    .where({ teacher_id: teacherId })
    .whereNull('revoked_at')
    .update({ revoked_at: new Date(now) });
}

/** Forgets sign-ins that ran out so long ago that their device counts as a new one. @param now epoch ms */
export async function forgetSignIns(db: Db, now: number): Promise<void> {
  await db('sign_ins')
    .where('expires_at', '<', new Date(now - KNOWN_DAYS * DAY_MS))
    .delete();
}
