'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { CODE_LENGTH, CODE_SIGNS, readCode } from '@/core/follow';
import { type DoorWords, filled, refusedIn, wordsIn } from '@/core/follow/words';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { behindTyped } from '@/server/follow/doors';
import { comesIn } from '@/server/follow/flood';
import { comeIn, leaveClass } from '@/server/follow/followers';
import type { FormState } from '@/ui/kit/form';
import { clientAddress, followToken, keepFollowToken } from '../auth';
import { answerForm, given } from '../forms';
import { askedLanguage } from './language';

const codeSchema = ({ typeIt, noCode }: DoorWords) => {
  const says = filled(noCode, { length: CODE_LENGTH, signs: [...CODE_SIGNS].join(' ') });
  const code = z.string().trim().min(1, typeIt).max(40, says);
  return z.object({ code: code.refine((typed) => readCode(typed) !== null, says) });
};

/** Leads on to the class behind a code. */
export async function findAction(_: FormState, form: FormData): Promise<FormState> {
  const from = { address: await clientAddress(), now: now() };
  const language = await askedLanguage();
  let code: string | null = null;
  const schema = codeSchema(wordsIn(language).door);
  const work = async (typed: { code: string }) => {
    code = (await behindTyped(db(), typed.code, from)).code;
    return '';
  };
  const state = await answerForm(form, schema, work, {
    refused: (refusal) => refusedIn(language, refusal),
  });
  if (code) redirect(`/follow/${code}`);
  return state;
}

const nameSchema = ({ longName }: DoorWords) =>
  z.object({ name: z.string().trim().max(40, longName) });

/** Comes in by a code, with a name or without one. The page goes on from there. */
export async function comeInAction(code: string, _: FormState, form: FormData): Promise<FormState> {
  const typed = given(z.string().max(40), code);
  const from = { address: await clientAddress(), now: now() };
  const language = await askedLanguage();
  const work = async ({ name }: { name: string }) => {
    comesIn(now());
    const door = await behindTyped(db(), typed, from);
    const before = await followToken();
    if (before) await leaveClass(db(), before);
    await keepFollowToken(await comeIn(db(), door, { name: name || null }, now()));
    return '';
  };
  return answerForm(form, nameSchema(wordsIn(language).door), work, {
    refused: (refusal) => refusedIn(language, refusal),
  });
}

/** Follows no more: the device is forgotten. */
export async function leaveAction(): Promise<void> {
  const token = await followToken();
  if (token) await leaveClass(db(), token);
  await keepFollowToken(null);
  redirect('/follow');
}
