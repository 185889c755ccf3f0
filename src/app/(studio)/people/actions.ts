'use server';

import { tz } from '@date-fns/tz';
import { formatISO } from 'date-fns';
import { refresh } from 'next/cache';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { addParticipant, book, newParticipantSchema } from '@/server/people/people';
import type { NewPersonState } from '@/ui/people/people-screen';
import { requireTeacher } from '../../auth';

export async function addPersonAction(_: NewPersonState, form: FormData): Promise<NewPersonState> {
  const teacher = await requireTeacher();
  const given = {
    name: String(form.get('name') ?? ''),
    contact: String(form.get('contact') ?? ''),
  };
  const parsed = newParticipantSchema.safeParse(given);
  if (!parsed.success) {
    return { ...given, error: parsed.error.issues[0]?.message ?? 'Check what you wrote.' };
  }
  const today = formatISO(now(), { representation: 'date', in: tz(teacher.timeZone) });
  await addParticipant(db(), teacher, parsed.data, today, now());
  refresh();
  return { name: '', contact: '', error: null };
}

export async function bookAction(participantId: string, form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const classId = z.uuid().parse(form.get('classId'));
  await book(db(), teacher, z.uuid().parse(participantId), classId, now());
  refresh();
}
