'use server';

import { randomUUID } from 'node:crypto';
import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { dateSchema, localOf, timeOfDaySchema } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { callOff, changeSessions, restoreSession, WHICH } from '@/server/calendar/change';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { once } from '@/server/errands';
import { closeSession, freeLead, sessionToLead } from '@/server/runs';
import { setComing } from '@/server/sessions/bookings';
import { getSession, planSession } from '@/server/sessions/sessions';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../auth';
import { answerForm, errandIn, idOf, tickedSchema, touchedIn } from '../../forms';
import { orNotFound } from '../../or-not-found';
import { tellAll, tellCancelled, tellUp, withTold } from '../../told-words';
import { whereSchema } from '../calendar/where';

/**
 * Opens today's session of a class to be led, or puts one on the calendar for now. Where the class was left
 * standing, the teacher is asked first what is to become of that.
 */
export async function leadClassAction(classId: string): Promise<void> {
  const teacher = await requireTeacher();
  const id = idOf(classId);
  const of = { classId: id, timeZone: teacher.timeZone, now: now() };
  const toLead = await orNotFound(sessionToLead(db(), teacher, of));
  redirect(toLead.left ? `/sessions/${toLead.id}` : `/lead/${toLead.id}`);
}

const sessionIn = (form: FormData): string => idOf(form.get('sessionId'));

/** Goes on with a session that was left standing, on this device. */
export async function goOnAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const id = sessionIn(form);
  await orNotFound(freeLead(db(), teacher, id));
  redirect(`/lead/${id}`);
}

/** Closes a session that was left standing, as it was when it was left. */
export async function closeAsItWasAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const id = sessionIn(form);
  const closing = {
    sessionId: id,
    draft: { id: randomUUID(), at: now() },
    now: now(),
    timeZone: teacher.timeZone,
    teacherId: teacher.id,
  };
  await orNotFound(closeSession(db(), teacher, closing));
  redirect(`/lead/${id}`);
}

/** Leads the class of a session that was left standing anew; what was left stays as it is. */
export async function beginAnewAction(form: FormData): Promise<void> {
  const teacher = await requireTeacher();
  const { classId } = await orNotFound(getSession(db(), teacher, sessionIn(form)));
  const at = now();
  const id = await once(db(), teacher, errandIn(form, at), z.uuid(), (trx) =>
    planSession(trx, teacher, { classId, startsAt: at, now: at }),
  );
  redirect(`/lead/${id}`);
}

const whichSchema = z.enum(WHICH).default('this');
const fieldsSchema = z.object({
  day: dateSchema,
  time: timeOfDaySchema,
  classId: z.uuid(),
  ...whereSchema,
});

/** Moves a session, or changes who leads it, where, or what: this one, or its series from it on. */
export async function changeSessionAction(
  id: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const teacher = await requireTeacher();
  const zone = teacher.timeZone;
  const schema = fieldsSchema.extend({ which: whichSchema, sure: tickedSchema });
  return answerForm(form, schema, async ({ which, sure, ...wanted }) => {
    const session = await getSession(db(), teacher, idOf(id));
    const at = localOf(session.startsAt, zone);
    // What was not changed here stays as it is in the others of the series too.
    const { day, time, ...change } = touchedIn(form, wanted);
    const start = `${day ?? at.slice(0, 10)}T${time ?? at.slice(11)}`;
    const of = {
      id,
      which,
      zone,
      now: now(),
      sure,
      change: { ...change, ...(start !== at && { at: start }) },
    };
    const { done: changed, told } = await withTold(teacher, async (telling) => {
      const all = await changeSessions(telling.db, teacher, of);
      await tellAll(telling, all);
      return all.all.is.length;
    });
    refresh();
    return `${changed === 1 ? 'Changed.' : `Changed in ${changed} sessions.`}${told}`;
  });
}

const comingSchema = z.object({
  /** Who is chosen from the list, and the buttons beside those who are on it already. */
  person: z.uuid().or(z.literal('')),
  away: z.uuid().optional(),
  back: z.uuid().optional(),
});

/** Books somebody on one session, or notes that they cannot come; whoever waits moves up. */
export async function comingAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const state = await answerForm(form, comingSchema, async ({ person, away, back }) => {
    const participantId = away ?? back ?? person;
    if (participantId === '') throw new Refusal('nobody-chosen');
    const of = { sessionId: idOf(id), participantId, coming: !away, now: now() };
    const { told } = await withTold(teacher, async (telling) =>
      tellUp(telling, await setComing(telling.db, teacher, of)),
    );
    refresh();
    return `${away ? 'Noted.' : 'Booked.'}${told}`;
  });
  return { ...state, values: {} };
}

/** Calls a session off, or its series from it on, and writes to those who are booked. */
export async function callOffAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const word = z
    .string()
    .trim()
    .max(500, 'Use at most 500 characters.')
    .transform((typed) => typed || null);
  return answerForm(form, z.object({ word, which: whichSchema }), async (given) => {
    const reach = { id: idOf(id), which: given.which, now: now() };
    const { word } = given;
    const { told } = await withTold(teacher, async (telling) => {
      const off = await callOff(telling.db, teacher, { ...reach, word });
      await tellCancelled(telling, { ids: off.map((s) => s.id), again: false, word });
    });
    refresh();
    return `Called off.${told}`;
  });
}

/**
 * Puts a session that was called off back onto the calendar, and writes to those who are booked. Where something is there
 * by now, that is asked first.
 */
export async function restoreAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ sure: tickedSchema }), async ({ sure }) => {
    const of = { id: idOf(id), zone: teacher.timeZone, sure };
    const { told } = await withTold(teacher, async (telling) => {
      const session = await restoreSession(telling.db, teacher, of);
      if (session) await tellCancelled(telling, { ids: [session.id], again: true });
    });
    refresh();
    return `It takes place.${told}`;
  });
}
