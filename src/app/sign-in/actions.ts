'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { Refusal, tooManyTries } from '@/core/calls';
import { demoIsOn, isPublic } from '@/server/auth/demo';
import { signIn, signInToDemo } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { visitDemo } from '@/server/demo/visits';
import type { SignInState } from '@/ui/sign-in/sign-in-form';
import { clientAddress, keepToken, thisDevice } from '../auth';

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

/** Enters the demo: one's own for a day where the server is open to everybody, else the one that all share. */
export async function enterDemo(_: string | null): Promise<string | null> {
  if (!demoIsOn()) redirect('/sign-in');
  const device = await thisDevice();
  if (isPublic()) {
    try {
      const from = { address: await clientAddress(), device, now: now() };
      await keepToken(await visitDemo(db(), from));
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return error.message;
    }
  } else {
    const token = await signInToDemo(db(), now(), device);
    if (token) await keepToken(token);
  }
  redirect('/');
}
