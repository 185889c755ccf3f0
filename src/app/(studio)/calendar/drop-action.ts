'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { dateSchema, timeOfDaySchema } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dateLabel } from '@/core/formats';
import { changeSessions } from '@/server/calendar/change';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { requireTeacher } from '../../auth';
import { given } from '../../forms';

const dropSchema = z.object({
  id: z.uuid(),
  at: z
    .string()
    .transform((at) => ({ day: at.slice(0, 10), time: at.slice(11) }))
    .pipe(z.object({ day: dateSchema, time: timeOfDaySchema })),
  sure: z.boolean(),
});

/** Moves one session to where it was dropped in the calendar. @returns what to say, or what has to be asked first */
export async function dropSessionAction(
  drop: z.input<typeof dropSchema>,
): Promise<{ done: string } | { asked: string } | { problem: string }> {
  const teacher = await requireTeacher();
  const { id, at: to, sure } = given(dropSchema, drop);
  const of = { id, which: 'this', zone: teacher.timeZone, now: now(), sure } as const;
  try {
    await changeSessions(db(), teacher, { ...of, change: { at: `${to.day}T${to.time}` } });
    refresh();
    return { done: `Moved to ${dateLabel(to.day)}, ${to.time}.` };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return error.code === 'in-the-way' ? { asked: error.message } : { problem: error.message };
  }
}
