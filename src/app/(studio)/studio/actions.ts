'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import {
  emailSchema,
  newClassSchema,
  retentionSchema,
  roleSchema,
  studioNameSchema,
  timeZoneSchema,
} from '@/core/studio';
import { isPublic } from '@/server/auth/demo';
import type { Teacher } from '@/server/auth/sign-ins';
import { changeZone } from '@/server/calendar/zone';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { removeDemo } from '@/server/demo/seed';
import { addressOf } from '@/server/studio/address';
import { writeLetter } from '@/server/studio/letters';
import { makeLink } from '@/server/studio/links';
import {
  changeStudio,
  deleteStudio,
  forgetOld,
  olderThan,
  refuseWhileLed,
  studioSettings,
} from '@/server/studio/studios';
import {
  changeRole,
  confirmPassword,
  invite,
  removeTeacher,
  withdraw,
} from '@/server/studio/teachers';
import type { FormState } from '@/ui/kit/form';
import { clientAddress, dropToken, requireTeacher } from '../../auth';
import { answerForm, asJson, given, idOf, tickedSchema } from '../../forms';
import { signUp } from '../../may-begin';
import { orNotFound } from '../../or-not-found';

async function requireOwner(): Promise<Teacher> {
  const teacher = await requireTeacher();
  if (teacher.role !== 'owner') throw new Refusal('owners-only');
  return teacher;
}

const idIn = (form: FormData): string => idOf(form.get('id'));

export async function renameAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const schema = z.object({ name: studioNameSchema, timeZone: timeZoneSchema });
  return answerForm(form, schema, async ({ name, timeZone }) => {
    const owner = await requireOwner();
    const moved = await db().transaction(async (trx) => {
      await changeStudio(trx, owner, { name });
      return changeZone(trx, owner, { zone: timeZone, now: now() });
    });
    refresh();
    if (moved === 0) return 'Saved.';
    return `Saved. ${moved === 1 ? 'The session' : `All ${moved} sessions`} to come ${moved === 1 ? 'stays' : 'stay'} at the time that the clock shows.`;
  });
}

export async function changeNewClassAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const schema = z.object({ newClass: asJson(newClassSchema) });
  return answerForm(form, schema, async (given) => {
    await changeStudio(db(), await requireOwner(), given);
    return 'Saved. Classes that are there already stay as they are.';
  });
}

const monthsTyped = z
  .string()
  .trim()
  .transform((text) => (text === '' ? null : Number(text)));

export async function changeRetentionAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  const schema = z.object({
    runsMonths: monthsTyped.pipe(retentionSchema.shape.runsMonths),
    recordingsMonths: monthsTyped.pipe(retentionSchema.shape.recordingsMonths),
    sure: tickedSchema,
  });
  return answerForm(form, schema, async ({ sure, ...retention }) => {
    const [owner, at] = [await requireOwner(), now()];
    const { runs, recordings } = await olderThan(db(), owner, { retention, now: at });
    const goes = [
      runs > 0 && (runs === 1 ? '1 log of a led class' : `${runs} logs of led classes`),
      recordings > 0 && (recordings === 1 ? '1 recording' : `${recordings} recordings`),
    ].filter(Boolean);
    if (goes.length > 0 && !sure) throw new Refusal('forgets-now', goes.join(' and '));
    await changeStudio(db(), owner, { retention });
    await forgetOld(db(), at);
    return goes.length > 0 ? `Saved. ${goes.join(' and ')} went.` : 'Saved.';
  });
}

export async function inviteAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  return answerForm(form, z.object({ email: emailSchema, role: roleSchema }), async (given) => {
    const address = await invite(db(), await requireOwner(), { ...given, now: now() });
    refresh();
    return `Invited. The letter is among those of the studio; this is its link:\n${address}`;
  });
}

export async function inviteStudioAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  return answerForm(form, z.object({ email: emailSchema }), async ({ email }) => {
    const owner = await requireOwner();
    if (signUp() === 'closed') throw new Refusal('owners-only');
    const link = await makeLink(db(), 'begin', { of: { email }, now: now() });
    const address = addressOf(`/begin/${link}`);
    const body = `${owner.name} invites you to make a studio of your own with Up Beat, within a week:\n${address}\n`;
    const letter = { recipient: email, subject: 'A studio of your own', body, link };
    await writeLetter(db(), owner, { letter, now: now() });
    return `Invited. The letter is among those of the studio; this is its link:\n${address}`;
  });
}

export async function withdrawAction(form: FormData): Promise<void> {
  await orNotFound(withdraw(db(), await requireOwner(), { id: idIn(form) }));
  refresh();
}

export async function changeRoleAction(form: FormData): Promise<void> {
  const role = given(roleSchema, form.get('role'));
  await orNotFound(changeRole(db(), await requireOwner(), { id: idIn(form), role }));
  refresh();
}

export async function removeTeacherAction(form: FormData): Promise<void> {
  await orNotFound(removeTeacher(db(), await requireOwner(), { id: idIn(form), now: now() }));
  refresh();
}

/** Removes the demo studio from the server; for owners of any other one. */
export async function removeDemoAction(_: FormState, form: FormData): Promise<FormState> {
  await requireTeacher();
  return answerForm(form, z.object({}), async () => {
    await requireOwner();
    // Where many studios share a server, its demo is no affair of one of them.
    if (isPublic()) throw new Refusal('owners-only');
    await removeDemo(db());
    refresh();
    return 'The demo studio is gone.';
  });
}

export async function deleteStudioAction(_: FormState, form: FormData): Promise<FormState> {
  const owner = await requireOwner();
  const { name } = await studioSettings(db(), owner);
  const schema = z.object({
    typedName: z
      .string()
      .trim()
      .refine((typed) => typed === name, `Type the name just as it stands: ${name}`),
    current: z.string().max(500),
  });
  return answerForm(form, schema, async ({ current }) => {
    const asked = { password: current, address: await clientAddress(), now: now() };
    await confirmPassword(db(), owner, asked);
    await refuseWhileLed(db(), owner, { now: now() });
    await deleteStudio(db(), owner);
    await dropToken();
    redirect('/sign-in');
  });
}
