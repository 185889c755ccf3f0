'use server';

import { redirect } from 'next/navigation';
import { emptyPlan, planSchema } from '@/core/class';
import { parseSeconds } from '@/core/formats';
import { createClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import type { NewClassState } from '@/ui/classes/classes-screen';
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
  const id = await createClass(db(), teacher, emptyPlan(name, seconds), now());
  redirect(`/classes/${id}`);
}
