'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { dayStart } from '@/core/formats';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { cancelSession, planSession, sessionsBetween } from '@/server/sessions/sessions';
import { requireTeacher } from '../../auth';

const DAY_MS = 86_400_000;

export async function cancelSessionAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  await cancelSession(db(), teacher, z.uuid().parse(form.get('sessionId')));
  refresh();
}

/** Opens today's session of a class to be led, or puts one on the calendar for now. */
export async function leadClassAction(classId: string): Promise<void> {
  const teacher = await requireTeacher();
  const id = z.uuid().parse(classId);
  const start = dayStart(now(), teacher.timeZone);
  const today = await sessionsBetween(db(), teacher, start, start + DAY_MS);
  const planned = today.find((s) => s.classId === id && s.status === 'planned');
  const sessionId = planned?.id ?? (await planSession(db(), teacher, id, now(), now()));
  redirect(`/lead/${sessionId}`);
}
