'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { tooManyTries } from '@/core/calls';
import { demoIsOn } from '@/server/auth/demo';
import { signIn, signInToDemo, signOut, signOutEverywhere } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import type { SignInState } from '@/ui/sign-in/sign-in-form';
import {
  clientAddress,
  dropToken,
  keepToken,
  requireTeacher,
  signInToken,
  thisDevice,
} from '../auth';

const formSchema = z.object({
  email: z.string().trim().min(1).max(200),
  password: z.string().min(1).max(500),
});

const WRONG = 'This email and password do not belong together. Check both and try again.';

export async function signInAction(_: SignInState, form: FormData): Promise<SignInState> {
  const given = formSchema.safeParse(Object.fromEntries(form));
  const email = String(form.get('email') ?? '');
  if (!given.success) return { email, error: 'Fill in your email and your password.' };
  const from = { address: await clientAddress(), device: await thisDevice() };
  const answer = await signIn(db(), { ...given.data, ...from }, now());
  if (!answer.ok) {
    return { email, error: answer.reason === 'wrong' ? WRONG : tooManyTries(answer.ms) };
  }
  await keepToken(answer.token);
  redirect('/');
}

export async function enterDemo(): Promise<void> {
  if (!demoIsOn()) redirect('/sign-in');
  const device = await thisDevice();
  const token = await signInToDemo(db(), now(), device);
  if (token) await keepToken(token);
  redirect('/');
}

export async function signOutAction(): Promise<void> {
  const token = await signInToken();
  if (token) await signOut(db(), token, now());
  await dropToken();
  redirect('/sign-in');
}

export async function signOutEverywhereAction(): Promise<void> {
  const teacher = await requireTeacher();
  await signOutEverywhere(db(), teacher.id, now());
  await dropToken();
  redirect('/sign-in');
}
