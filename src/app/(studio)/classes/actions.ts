'use server';

import { redirect } from 'next/navigation';
import { Refusal } from '@/core/calls';
import { emptyPlan, MAX_PLAN_BYTES, type Plan, parsePlanText, planSchema } from '@/core/class';
import { parseSeconds } from '@/core/formats';
import type { Teacher } from '@/server/auth/sign-ins';
import { createClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { studioSettings } from '@/server/studio/studios';
import type { ImportState, NewClassState } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';

export async function createClassAction(_: NewClassState, form: FormData): Promise<NewClassState> {
  const teacher = await requireTeacher();
  const name = String(form.get('name') ?? '');
  const minutes = String(form.get('minutes') ?? '');
  const seconds = parseSeconds(minutes, 'min');
  if (!planSchema.shape.name.safeParse(name).success) {
    return { name, minutes, error: 'Give the class a name of at most 80 characters.' };
  }
  if (seconds === null || !planSchema.shape.slotSeconds.safeParse(seconds).success) {
    return { name, minutes, error: 'Write the slot in minutes, from 1 to 240, such as 20.' };
  }
  const { newClass } = await studioSettings(db(), teacher);
  const plan = { ...emptyPlan(name, seconds), ...newClass };
  const made = await create(teacher, plan);
  if ('refused' in made) return { name, minutes, error: made.refused };
  redirect(`/classes/${made.id}`);
}

/** Makes the class, or says why it is not made. */
async function create(teacher: Teacher, plan: Plan): Promise<{ id: string } | { refused: string }> {
  try {
    return { id: await createClass(db(), teacher, plan, now()) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { refused: error.message };
  }
}

/** Makes a class from a plan file. What is wrong with the file is told field by field. */
export async function importClassAction(_: ImportState, form: FormData): Promise<ImportState> {
  const teacher = await requireTeacher();
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) {
    return { problems: ['Choose a file that ends in .upbeat.json first.'] };
  }
  if (file.size > 2 * MAX_PLAN_BYTES) {
    return { problems: ['This file is too large to be a class.'] };
  }
  const book = await studioBook(db(), teacher);
  const parsed = parsePlanText(await file.text(), book.move);
  if (!parsed.ok) {
    return { problems: parsed.problems.map((p) => `${p.field} ${p.message}`.trim()) };
  }
  const made = await create(teacher, parsed.value);
  if ('refused' in made) return { problems: [made.refused] };
  redirect(`/classes/${made.id}`);
}
