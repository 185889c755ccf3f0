'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { answerQuestion } from '@/server/runs';
import { repairFor, seeNote } from '@/server/today/today';
import type { Settled } from '@/ui/today/before-list';
import { requireTeacher } from '../auth';
import { answerForm, idOf } from '../forms';

const settleSchema = z.object({
  repair: z.string().max(300).optional(),
  /** A run and the event of the question in it. */
  answered: z
    .string()
    .transform((both) => both.split(' '))
    .pipe(z.tuple([z.uuid(), z.uuid()]))
    .optional(),
  seen: z.uuid().optional(),
});

/** Settles one thing before a session: a finding, a parked question, or a note on form. */
export async function settleAction(
  sessionId: string,
  _: Settled,
  form: FormData,
): Promise<Settled> {
  const teacher = await requireTeacher();
  const { done, problem } = await answerForm(form, settleSchema, async (given) => {
    const { repair, answered, seen } = given;
    let says = '';
    if (repair !== undefined) {
      const of = { sessionId: idOf(sessionId), key: repair, now: now() };
      says = await repairFor(db(), teacher, of);
    }
    if (answered) {
      const [runId, id] = answered;
      await answerQuestion(db(), teacher, { runId, id, now: now() });
      says = 'Answered; it is not shown again.';
    }
    if (seen) {
      await seeNote(db(), teacher, { id: seen, now: now() });
      says = 'Seen; the note stays with the person.';
    }
    refresh();
    return says;
  });
  return { done, problem };
}
