'use server';

import { z } from 'zod';
import { Refusal, waitWords } from '@/core/calls';
import { emailSchema } from '@/core/studio';
import { countTry } from '@/server/auth/attempts';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { sendReset } from '@/server/studio/teachers';
import { errorFields, log } from '@/server/watch/log';
import type { FormState } from '@/ui/kit/form';
import { clientAddress } from '../auth';
import { answerForm } from '../forms';

const schema = z.object({ email: emailSchema });

/** Sends a link for a new password. The answer is the same whether somebody has the email or not. */
export async function forgotAction(_: FormState, form: FormData): Promise<FormState> {
  return answerForm(form, schema, async ({ email }) => {
    const tries = { account: `reset ${email}`, address: await clientAddress() };
    const wait = await countTry(db(), tries, now());
    if (wait > 0) throw new Refusal('too-many-tries', waitWords(wait));
    // It is not waited for: how long it takes would tell whether somebody has the email.
    void sendReset(db(), { email, now: now() }).catch((problem: unknown) => {
      log().error(errorFields(problem), 'a link to a new password was not written');
    });
    return 'If somebody signs in with this email, a letter with a link is on its way. Where this Up Beat sends no mail, an owner of the studio finds it among the letters.';
  });
}
