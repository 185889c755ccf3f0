'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import { passwordSchema } from '@/core/studio';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { resetPassword } from '@/server/studio/teachers';
import type { FormState } from '@/ui/kit/form';
import { letIn } from '../auth';
import { answerForm } from '../forms';

const schema = z.object({ password: passwordSchema });

/** Sets a new password by a link, and signs its owner in. */
export async function resetAction(token: string, _: FormState, form: FormData): Promise<FormState> {
  return answerForm(form, schema, async ({ password }) => {
    const teacherId = await resetPassword(db(), { token, password, now: now() });
    await letIn(teacherId);
    redirect('/');
  });
}
