import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal, waitWords } from '@/core/calls';
import { type Role, roleSchema } from '@/core/studio';
import { countTry, forgetTries } from '../auth/attempts';
import { hashPassword, passwordFits } from '../auth/passwords';
import { signOutEverywhere, type Teacher } from '../auth/sign-ins';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found, type Scope } from '../scope';
import { addressOf } from './address';
import { keepLetters, sendKept, writeLetter } from './letters';
import { makeLink, spendLink } from './links';
import { type Post, postFrom } from './post';
import { type NewAccount, refuseTaken, refuseWhileLed, takingEmail } from './studios';

/** Most teachers of one studio, those invited among them. */
export const MOST_TEACHERS = 50;

export interface Colleague {
  id: string;
  name: string;
  email: string;
  role: Role;
  since: number;
}

const colleagueSchema = z
  .object({
    id: z.uuid(),
    name: z.string(),
    email: z.string(),
    role: roleSchema,
    created_at: epochMs,
  })
  .transform(({ created_at, ...row }): Colleague => ({ ...row, since: created_at }));

/** The teachers of a studio, by name. */
export async function teachersOf(db: Db, { studioId }: Scope): Promise<Colleague[]> {
  const rows = await db('teachers')
    .where({ studio_id: studioId })
    .orderByRaw('lower(name), created_at')
    .select('id', 'name', 'email', 'role', 'created_at');
  return z.array(colleagueSchema).parse(rows);
}

/** How many sessions to come each teacher of a studio leads, by their ids. @param now epoch ms */
export async function leadsToCome(
  db: Db,
  { studioId }: Scope,
  now: number,
): Promise<Map<string, number>> {
  const rows: { teacher_id: string; n: number }[] = await db('sessions')
    .where({ studio_id: studioId, status: 'planned' })
    .whereNotNull('teacher_id')
    .where('starts_at', '>', new Date(now))
    .groupBy('teacher_id')
    .select('teacher_id', db.raw('count(*)::int as n'));
  return new Map(rows.map((row) => [row.teacher_id, row.n]));
}

/** Somebody who was invited and has not come yet. */
export interface Invited {
  id: string;
  email: string;
  role: Role;
  until: number;
}

/** Who was invited and can still come, the newest first. @param now epoch ms */
export async function invitedTo(db: Db, { studioId }: Scope, now: number): Promise<Invited[]> {
  const rows = await db('links')
    .where({ kind: 'join', studio_id: studioId })
    .whereNull('used_at')
    .where('expires_at', '>', new Date(now))
    .orderBy('created_at', 'desc')
    .select('id', 'email', 'role', 'expires_at');
  const schema = z.object({
    id: z.uuid(),
    email: z.string(),
    role: roleSchema,
    expires_at: epochMs,
  });
  return z
    .array(schema.transform(({ expires_at, ...row }): Invited => ({ ...row, until: expires_at })))
    .parse(rows);
}

/**
 * Invites somebody by a letter with a link that works once, for a week.
 * @returns the address, to be handed on in any other way as well
 * @throws Refusal `email-taken`, `too-many-teachers`
 */
export async function invite(
  db: Db,
  by: Teacher,
  { email, role, now }: { email: string; role: Role; now: number },
): Promise<string> {
  await refuseTaken(db, email);
  const [teachers, invited] = await Promise.all([teachersOf(db, by), invitedTo(db, by, now)]);
  if (teachers.length + invited.length >= MOST_TEACHERS) {
    throw new Refusal('too-many-teachers', String(MOST_TEACHERS));
  }
  // Whoever is invited twice comes by the newer link.
  await withdraw(db, by, { email });
  const token = await makeLink(db, 'join', { of: { studioId: by.studioId, email, role }, now });
  const address = addressOf(`/join/${token}`);
  const body = `${by.name} invites you to teach at ${by.studioName} with Up Beat.\n\nMake your account here, within a week:\n${address}\n`;
  const subject = `${by.studioName}: your account`;
  await writeLetter(db, by, { letter: { recipient: email, subject, body, link: token }, now });
  return address;
}

/** Takes an invitation back; nothing where it was used already. */
export async function withdraw(
  db: Db,
  { studioId }: Scope,
  of: { id: string } | { email: string },
): Promise<void> {
  await db('links')
    .where({ ...of, kind: 'join', studio_id: studioId })
    .whereNull('used_at')
    .delete();
}

/**
 * Makes the account of somebody who was invited. Where that fails the link still works.
 * @returns the new teacher's id
 * @throws Refusal `link-spent`, `email-taken`
 */
export async function join(
  db: Db,
  { token, account, now }: { token: string; account: NewAccount; now: number },
): Promise<string> {
  const password_hash = await hashPassword(account.password);
  const made = async (trx: Db) => {
    const link = await spendLink(trx, 'join', { token, now });
    await refuseTaken(trx, account.email);
    const id = randomUUID();
    await trx('teachers').insert({
      id,
      studio_id: link.studioId,
      email: account.email,
      name: account.name,
      role: link.role ?? 'teacher',
      password_hash,
      created_at: new Date(now),
    });
    return id;
  };
  return takingEmail(() => db.transaction(made));
}

/** Refuses what would leave a studio without an owner. */
async function keepAnOwner(trx: Db, { studioId }: Scope, without: string): Promise<void> {
  const owners = await trx('teachers')
    .where({ studio_id: studioId, role: 'owner' })
    .forUpdate()
    .pluck('id');
  if (owners.every((id) => id === without)) throw new Refusal('last-owner');
}

/** Makes a teacher an owner, or an owner a teacher. @throws Refusal `not-found`, `last-owner` */
export async function changeRole(
  db: Db,
  scope: Scope,
  { id, role }: { id: string; role: Role },
): Promise<void> {
  await db.transaction(async (trx) => {
    if (role !== 'owner') await keepAnOwner(trx, scope, id);
    const rows = await trx('teachers')
      .where({ id, studio_id: scope.studioId })
      .update({ role })
      .returning('id');
    found(rows[0], 'teacher');
  });
}

/**
 * Removes a teacher: they are signed out everywhere, their recordings go, and a letter tells them. Classes, sessions
 * and registers belong to the studio and stay.
 * @throws Refusal `not-found`, `last-owner`, `leads-now`
 */
export async function removeTeacher(
  db: Db,
  by: Teacher,
  { id, now, post = postFrom(process.env) }: { id: string; now: number; post?: Post | null },
): Promise<void> {
  const letters = await db.transaction(async (trx) => {
    await keepAnOwner(trx, by, id);
    await refuseWhileLed(trx, by, { teacherId: id, now });
    const rows = await trx('teachers')
      .where({ id, studio_id: by.studioId })
      .delete()
      .returning('email');
    const { email: recipient } = found<{ email: string }>(rows[0], 'teacher');
    if (id === by.id) return [];
    const subject = `${by.studioName}: your account`;
    const body = `${by.name} removed your account at ${by.studioName} with Up Beat. You lead none of its sessions any more, and what you had recorded there is gone.\n\nIf that comes as a surprise, ask ${by.name}.\n`;
    return keepLetters(trx, by, { letters: [{ recipient, subject, body }], now, post });
  });
  if (letters.length > 0) await sendKept(db, by, letters, { now, post });
}

/**
 * Makes sure that it is really the teacher who asks. Wrong passwords count as failed sign-ins do.
 * @throws Refusal `wrong-password`, `too-many-tries`
 */
export async function confirmPassword(
  db: Db,
  { id, studioId }: Teacher,
  { password, address, now }: { password: string; address: string; now: number },
): Promise<void> {
  const row = await db('teachers').where({ id, studio_id: studioId }).first('password_hash');
  const { password_hash } = found(row, 'teacher');
  // Whoever is signed in waits for themselves, and not for strangers who try their email.
  const tries = { account: 'confirm', address, device: id };
  const wait = await countTry(db, tries, now);
  if (wait > 0) throw new Refusal('too-many-tries', waitWords(wait));
  if (!(await passwordFits(password_hash, password))) throw new Refusal('wrong-password');
  await forgetTries(db, tries);
}

const NOT_YOU =
  'If that was not you, somebody else has your password: tell whoever looks after Up Beat for you at once.';

/** Changes one's own name. */
export async function changeName(db: Db, { id, studioId }: Teacher, name: string): Promise<void> {
  await db('teachers').where({ id, studio_id: studioId }).update({ name });
}

/**
 * Changes one's own email. Links to a new password that were sent to the one before work no more, and a letter to it
 * tells of the change.
 * @throws Refusal `email-taken`
 */
export async function changeEmail(
  db: Db,
  teacher: Teacher,
  { email, now }: { email: string; now: number },
): Promise<void> {
  const { id, studioId } = teacher;
  const holder = await db('teachers').where({ email }).first('id');
  if (holder && holder.id !== id) throw new Refusal('email-taken');
  const change = async (trx: Db) => {
    const of = { id, studio_id: studioId };
    const row = await trx('teachers').where(of).forUpdate().first('email');
    await trx('teachers').where(of).update({ email });
    await dropResets(trx, id);
    return found<{ email: string }>(row, 'teacher').email;
  };
  const recipient = await takingEmail(() => db.transaction(change));
  if (recipient === email) return;
  const subject = 'Your email for Up Beat was changed';
  const body = `From now on you sign in to Up Beat with another email than this one.\n\n${NOT_YOU}\n`;
  await writeLetter(db, teacher, { letter: { recipient, subject, body }, now });
}

/**
 * Changes a password; every device that was signed in has to sign in anew, links to a new password work no more, and a
 * letter tells of the change.
 */
export async function changePassword(
  db: Db,
  teacherId: string,
  { password, now }: { password: string; now: number },
): Promise<void> {
  const hash = await hashPassword(password);
  await db.transaction((trx) => setPassword(trx, teacherId, { hash, now }));
  await tellOfPassword(db, teacherId, now);
}

async function setPassword(
  trx: Db,
  teacherId: string,
  { hash, now }: { hash: string; now: number },
): Promise<void> {
  await trx('teachers').where({ id: teacherId }).update({ password_hash: hash });
  await dropResets(trx, teacherId);
  await signOutEverywhere(trx, teacherId, now);
}

async function tellOfPassword(db: Db, teacherId: string, now: number): Promise<void> {
  const row = await db('teachers').where({ id: teacherId }).first('email', 'studio_id');
  if (!row) return;
  const subject = 'Your password for Up Beat was changed';
  const body = `You sign in to Up Beat with a new password from now on.\n\n${NOT_YOU}\n`;
  const letter = { recipient: row.email, subject, body };
  await writeLetter(db, { studioId: row.studio_id }, { letter, now });
}

/** Takes back all links by which somebody would choose a new password. */
const dropResets = (db: Db, teacherId: string) =>
  db('links').where({ kind: 'reset', teacher_id: teacherId }).whereNull('used_at').delete();

interface Forgot {
  email: string;
  now: number;
}

/** A new link by which somebody chooses a new password, in place of older ones. Null where nobody has the email. */
async function resetLink(db: Db, { email, now }: Forgot) {
  const teacher = await db('teachers').where({ email }).first('id', 'studio_id');
  if (!teacher) return null;
  await dropResets(db, teacher.id);
  const of = { studioId: teacher.studio_id as string, teacherId: teacher.id as string };
  const token = await makeLink(db, 'reset', { of, now });
  return { token, studioId: of.studioId, address: addressOf(`/reset/${token}`) };
}

/** The address at which a teacher chooses a new password, for an hour. Null where nobody has the email. */
export const resetAddress = async (db: Db, forgot: Forgot): Promise<string | null> =>
  (await resetLink(db, forgot))?.address ?? null;

/** Writes somebody a letter by which they choose a new password; nothing where nobody has the email. */
export async function sendReset(db: Db, forgot: Forgot): Promise<void> {
  const link = await resetLink(db, forgot);
  if (!link) return;
  const { token, studioId, address } = link;
  const body = `Choose a new password for Up Beat here, within an hour:\n${address}\n\nIf you did not ask for this, do nothing: your password stays as it is.\n`;
  const keptAs = 'A link by which its reader chose a new password. It is not kept.';
  const subject = 'A new password for Up Beat';
  const letter = { recipient: forgot.email, subject, body, keptAs, link: token };
  await writeLetter(db, { studioId }, { letter, now: forgot.now });
}

/**
 * Sets the password of whoever has the link, which is spent by that alone.
 * @returns whose it is
 * @throws Refusal `link-spent`
 */
export async function resetPassword(
  db: Db,
  { token, password, now }: { token: string; password: string; now: number },
): Promise<string> {
  const hash = await hashPassword(password);
  const teacherId = await db.transaction(async (trx) => {
    const link = await spendLink(trx, 'reset', { token, now });
    if (!link.teacherId) throw new Refusal('link-spent');
    await setPassword(trx, link.teacherId, { hash, now });
    return link.teacherId;
  });
  await tellOfPassword(db, teacherId, now);
  return teacherId;
}
