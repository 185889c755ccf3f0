'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { emailSchema, passwordSchema, personNameSchema } from '@/core/studio';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { join } from '@/server/studio/teachers';
import type { FormState } from '@/ui/kit/form';
import { letIn } from '../auth';
import { answerForm } from '../forms';

const schema = z.object({ name: personNameSchema, email: emailSchema, password: passwordSchema });

/** Makes the account of somebody who was invited, and signs them in. */
export async function joinAction(token: string, _: FormState, form: FormData): Promise<FormState> {
  return answerForm(form, schema, async (account) => {
    const teacherId = await join(db(), { token, account, now: now() });
    await letIn(teacherId);
    redirect('/');
  });
}
