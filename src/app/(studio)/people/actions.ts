'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { dateOn } from '@/core/formats';
import { AREAS, CAUTIONS, type CarriedCaution, LOCAL_CAUTIONS } from '@/core/move';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { keepCautions } from '@/server/people/carried';
import { addParticipant, book, newParticipantSchema } from '@/server/people/people';
import type { CautionsState } from '@/ui/people/cautions-form';
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
  const today = dateOn(now(), teacher.timeZone);
  await addParticipant(db(), teacher, { person: parsed.data, joinedOn: today, now: now() });
  refresh();
  return { name: '', contact: '', error: null };
}

export async function bookAction(participantId: string, form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const classId = z.uuid().parse(form.get('classId'));
  await book(db(), teacher, { participantId: z.uuid().parse(participantId), classId, now: now() });
  refresh();
}

/** Keeps what somebody carries. Without their consent nothing is kept. */
export async function keepCautionsAction(
  participantId: string,
  _: CautionsState,
  form: FormData,
): Promise<CautionsState> {
  const teacher = await requireTeacher();
  const cautions = CAUTIONS.filter((c) => form.has(c)).map((caution): CarriedCaution => {
    const areas = AREAS.filter((a) => form.has(`${caution} ${a}`));
    return LOCAL_CAUTIONS.includes(caution) && areas.length ? { caution, areas } : { caution };
  });
  if (cautions.length && !form.has('consent')) {
    return {
      cautions,
      error: 'Ask for their consent first, and tick it; else nothing is kept.',
      kept: false,
    };
  }
  const today = dateOn(now(), teacher.timeZone);
  await keepCautions(db(), teacher, {
    participantId: z.uuid().parse(participantId),
    cautions,
    consentOn: today,
  });
  refresh();
  return { cautions, error: null, kept: true };
}
