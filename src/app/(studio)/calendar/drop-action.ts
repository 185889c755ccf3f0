'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { dateSchema, timeOfDaySchema } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dateLabel } from '@/core/formats';
import { changeSessions, lookAtChange } from '@/server/calendar/change';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { requireTeacher } from '../../auth';
import { given } from '../../forms';
import { tellAll, withTold } from '../../told-words';

const dropSchema = z.object({
  id: z.uuid(),
  at: z
    .string()
    .transform((at) => ({ day: at.slice(0, 10), time: at.slice(11) }))
    .pipe(z.object({ day: dateSchema, time: timeOfDaySchema })),
  sure: z.boolean(),
});

/**
 * Moves one session to where it was dropped in the calendar, and writes to those who are booked: where anybody is, or
 * something is in the way, that is asked first.
 * @returns what to say, or what has to be asked first
 */
export async function dropSessionAction(
  drop: z.input<typeof dropSchema>,
): Promise<{ done: string; told: string } | { asked: string } | { problem: string }> {
  const teacher = await requireTeacher();
  const { id, at: to, sure } = given(dropSchema, drop);
  const of = {
    ...({ id, which: 'this', zone: teacher.timeZone, now: now() } as const),
    change: { at: `${to.day}T${to.time}` },
  };
  try {
    if (!sure) {
      const { people, inTheWay } = await lookAtChange(db(), teacher, of);
      const asked = [inTheWay, people > 0 && concernsWords(people)].filter(Boolean);
      if (asked.length > 0) return { asked: asked.join(' ') };
    }
    const { told } = await withTold(teacher, async (telling) =>
      tellAll(telling, await changeSessions(telling.db, teacher, { ...of, sure: true })),
    );
    refresh();
    return { done: `Moved to ${dateLabel(to.day)}, ${to.time}.`, told };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { problem: error.message };
  }
}

const concernsWords = (people: number) =>
  `${people === 1 ? '1 person is' : `${people} people are`} booked or waiting. Whoever has given an email gets a letter.`;
