'use server';

import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { MOST_TAKEN } from '@/core/people';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import {
  type Known,
  knownAmong,
  takenSchema,
  takePeopleIn,
  takePeopleOut,
} from '@/server/people/take-in';
import { limitedSessionsOf, movingPlaces } from '@/server/sessions/bookings';
import { requireTeacher } from '../../../auth';
import { given, idOf } from '../../../forms';
import { tellPlaces, withTold } from '../../../told-words';

const askedSchema = z
  .array(z.object({ name: z.string().max(200), contact: z.string().max(300) }))
  .max(MOST_TAKEN);

/** For each line of a list, who is on the register already. */
export async function knownAction(
  people: { name: string; contact: string }[],
): Promise<(Known | null)[]> {
  return knownAmong(db(), await requireTeacher(), given(askedSchema, people));
}

/**
 * Takes people in, and books them on a class where one is chosen.
 * @returns their ids, or why it was refused
 */
export async function takeInAction(
  people: { id: string; name: string; contact: string; language: string }[],
  classId: string | null,
): Promise<{ ids: string[] } | { problem: string }> {
  const teacher = await requireTeacher();
  const taken = given(takenSchema, people);
  const joinedOn = dateOn(now(), teacher.timeZone);
  try {
    const of = { people: taken, classId: classId && idOf(classId), joinedOn, now: now() };
    return { ids: await takePeopleIn(db(), teacher, of) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { problem: error.message };
  }
}

/** Takes out again who was just taken in. @returns how many went, and what to say of those who move up by it */
export async function takeOutAction(ids: string[]): Promise<{ out: number; moved: string }> {
  const teacher = await requireTeacher();
  const participantIds = given(z.array(z.uuid()).max(MOST_TAKEN), ids);
  const { done: out, told: moved } = await withTold(teacher, async (telling) => {
    const { db: trx } = telling;
    const of = { participantIds, now: telling.now };
    const sessionIds = await limitedSessionsOf(trx, teacher, of);
    let many = 0;
    const work = async () => {
      many = await takePeopleOut(trx, teacher, participantIds);
    };
    await tellPlaces(telling, await movingPlaces(trx, teacher, { sessionIds, work }));
    return many;
  });
  return { out, moved };
}
