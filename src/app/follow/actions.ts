'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { isNoText } from '@/core/bounded';
import { CODE_LENGTH, CODE_SIGNS, readCode } from '@/core/follow';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { behindTyped } from '@/server/follow/doors';
import { comesIn } from '@/server/follow/flood';
import { comeIn, leaveClass } from '@/server/follow/followers';
import type { FormState } from '@/ui/kit/form';
import { clientAddress, followToken, keepFollowToken } from '../auth';
import { answerForm, given } from '../forms';

const NO_CODE = `A code has ${CODE_LENGTH} signs out of ${[...CODE_SIGNS].join(' ')}. Look at it again.`;
const codeSchema = z.object({
  code: z
    .string()
    .trim()
    .min(1, 'Type the code that you were shown.')
    .max(40)
    .refine((typed) => readCode(typed) !== null, NO_CODE),
});

/** Leads on to the class behind a code. */
export async function findAction(_: FormState, form: FormData): Promise<FormState> {
  const from = { address: await clientAddress(), now: now() };
  let code: string | null = null;
  const state = await answerForm(form, codeSchema, async (typed) => {
    code = (await behindTyped(db(), typed.code, from)).code;
    return 'Found.';
  });
  if (code) redirect(`/follow/${code}`);
  return state;
}

const nameSchema = z.object({
  name: z
    .string()
    .trim()
    .max(40, 'At most 40 letters.')
    .refine((name) => !isNoText(name), 'This cannot be stored. Write it anew.'),
});

/** Comes in by a code, with a name or without one. The page goes on from there. */
export async function comeInAction(code: string, _: FormState, form: FormData): Promise<FormState> {
  const typed = given(z.string().max(40), code);
  const from = { address: await clientAddress(), now: now() };
  return answerForm(form, nameSchema, async ({ name }) => {
    comesIn(now());
    const door = await behindTyped(db(), typed, from);
    const before = await followToken();
    if (before) await leaveClass(db(), before);
    await keepFollowToken(await comeIn(db(), door, { name: name || null }, now()));
    return 'You are in.';
  });
}

/** Follows no more: the device is forgotten. */
export async function leaveAction(): Promise<void> {
  const token = await followToken();
  if (token) await leaveClass(db(), token);
  await keepFollowToken(null);
  redirect('/follow');
}
