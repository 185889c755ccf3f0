'use server';

import { randomUUID } from 'node:crypto';
import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { closeSession, freeLead, sessionToLead } from '@/server/runs';
import { cancelSession, getSession, planSession } from '@/server/sessions/sessions';
import { requireTeacher } from '../../auth';

export async function cancelSessionAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  await cancelSession(db(), teacher, z.uuid().parse(form.get('sessionId')));
  refresh();
}

/**
 * Opens today's session of a class to be led, or puts one on the calendar for now. Where the class was left
 * standing, the teacher is asked first what is to become of that.
 */
export async function leadClassAction(classId: string): Promise<void> {
  const teacher = await requireTeacher();
  const id = z.uuid().parse(classId);
  const toLead = await sessionToLead(db(), teacher, {
    classId: id,
    timeZone: teacher.timeZone,
    now: now(),
  });
  redirect(toLead.left ? `/sessions/${toLead.id}` : `/lead/${toLead.id}`);
}

const sessionIn = (form: FormData): string => z.uuid().parse(form.get('sessionId'));

/** Goes on with a session that was left standing, on this device. */
export async function goOnAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const id = sessionIn(form);
  await freeLead(db(), teacher, id);
  redirect(`/lead/${id}`);
}

/** Closes a session that was left standing, as it was when it was left. */
export async function closeAsItWasAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const id = sessionIn(form);
  await closeSession(db(), teacher, {
    sessionId: id,
    draft: { id: randomUUID(), at: now() },
    now: now(),
    timeZone: teacher.timeZone,
    teacherId: teacher.id,
  });
  redirect(`/lead/${id}`);
}

/** Leads the class of a session that was left standing anew; what was left stays as it is. */
export async function beginAnewAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const { classId } = await getSession(db(), teacher, sessionIn(form));
  const at = now();
  redirect(`/lead/${await planSession(db(), teacher, { classId, startsAt: at, now: at })}`);
}
