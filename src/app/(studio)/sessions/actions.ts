'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { cancelSession, sessionToLead } from '@/server/sessions/sessions';
import { requireTeacher } from '../../auth';

export async function cancelSessionAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  await cancelSession(db(), teacher, z.uuid().parse(form.get('sessionId')));
  refresh();
}

/** Opens today's session of a class to be led, or puts one on the calendar for now. */
export async function leadClassAction(classId: string): Promise<void> {
  const teacher = await requireTeacher();
  const id = z.uuid().parse(classId);
  const sessionId = await sessionToLead(db(), teacher, {
    classId: id,
    timeZone: teacher.timeZone,
    now: now(),
  });
  redirect(`/lead/${sessionId}`);
}
