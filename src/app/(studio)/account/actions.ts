'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { emailSchema, passwordSchema, personNameSchema } from '@/core/studio';
import { signOutDevice } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { changeEmail, changeName, changePassword, confirmPassword } from '@/server/studio/teachers';
import type { FormState } from '@/ui/kit/form';
import { clientAddress, letIn, requireTeacher } from '../../auth';
import { answerForm } from '../../forms';

const current = z.string().max(500);

export async function changeNameAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ name: personNameSchema }), async ({ name }) => {
    await changeName(db(), teacher, name);
    refresh();
    return 'Changed.';
  });
}

export async function changeEmailAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ email: emailSchema, current }), async (given) => {
    const asked = { password: given.current, address: await clientAddress(), now: now() };
    await confirmPassword(db(), teacher, asked);
    await changeEmail(db(), teacher, { email: given.email, now: asked.now });
    return 'Changed. Sign in with it from now on.';
  });
}

export async function changePasswordAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ password: passwordSchema, current }), async (given) => {
    const asked = { password: given.current, address: await clientAddress(), now: now() };
    await confirmPassword(db(), teacher, asked);
    await changePassword(db(), teacher.id, { password: given.password, now: now() });
    await letIn(teacher.id);
    return 'Changed. Your other devices have to sign in anew.';
  });
}

export async function signOutDeviceAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ device: z.uuid() }), async ({ device }) => {
    await signOutDevice(db(), teacher.id, { id: device, now: now() });
    refresh();
    return 'Signed out.';
  });
}
