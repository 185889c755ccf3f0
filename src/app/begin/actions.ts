'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { emptyPlan } from '@/core/class';
import { languageSchema } from '@/core/move';
import {
  emailSchema,
  newClassOf,
  passwordSchema,
  personNameSchema,
  studioNameSchema,
  timeZoneSchema,
} from '@/core/studio';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { spendLink } from '@/server/studio/links';
import { makeStudio } from '@/server/studio/studios';
import type { FormState } from '@/ui/kit/form';
import { letIn } from '../auth';
import { answerForm } from '../forms';
import { mayBegin } from '../may-begin';

const schema = z.object({
  studioName: studioNameSchema,
  timeZone: timeZoneSchema,
  language: languageSchema,
  name: personNameSchema,
  email: emailSchema,
  password: passwordSchema,
});

/** Makes a studio with its first owner, and signs them in. */
export async function beginAction(
  token: string | null,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  return answerForm(form, schema, async ({ language, ...given }) => {
    if (!token && !(await mayBegin())) throw new Refusal('link-spent');
    const newClass = newClassOf({ ...emptyPlan('New classes', 1200), language });
    const teacherId = await db().transaction(async (trx) => {
      if (token) await spendLink(trx, 'begin', { token, now: now() });
      return makeStudio(trx, { ...given, newClass }, now());
    });
    await letIn(teacherId);
    redirect('/');
  });
}
