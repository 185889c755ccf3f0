'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { allCarried, carriedCautionSchema, carriedTicked } from '@/core/move';
import type { Teacher } from '@/server/auth/sign-ins';
import { toldWords } from '@/server/calendar/telling';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { once } from '@/server/errands';
import { cautionsOf, keepCautions } from '@/server/people/carried';
import { giveToMany } from '@/server/people/home';
import { peopleAskedSchema, peopleShown } from '@/server/people/list';
import { addParticipant, book, newParticipantSchema } from '@/server/people/people';
import { writeTo } from '@/server/people/write';
import type { FormState } from '@/ui/kit/form';
import type { NewPersonState } from '@/ui/people/add-person';
import type { CautionsState } from '@/ui/people/cautions-form';
import { requireTeacher } from '../../auth';
import { answerForm, asJson, errandIn, given, idOf } from '../../forms';
import { orNotFound } from '../../or-not-found';
import { waitsWords } from '../../told-words';

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
  const at = now();
  const joining = { person: parsed.data, joinedOn: dateOn(at, teacher.timeZone), now: at };
  await once(db(), teacher, errandIn(form, at), z.uuid(), (trx) =>
    addParticipant(trx, teacher, joining),
  );
  refresh();
  return { name: '', contact: '', error: null };
}

const shownSchema = asJson(z.array(carriedCautionSchema).max(100));

/** Keeps what somebody carries. Without their consent nothing is kept. */
export async function keepCautionsAction(
  participantId: string,
  _: CautionsState,
  form: FormData,
): Promise<CautionsState> {
  const teacher = await requireTeacher();
  const cautions = form.has('withdraw') ? [] : carriedTicked((name) => form.has(name));
  const known = given(shownSchema, form.get('was') ?? '[]');
  if (cautions.length && !form.has('consent')) {
    return {
      cautions,
      was: known,
      error: 'Ask for their consent first, and tick it; else nothing is kept.',
      kept: false,
    };
  }
  const today = dateOn(now(), teacher.timeZone);
  const id = idOf(participantId);
  // Who withdraws has everything forgotten, whatever somebody else has kept meanwhile.
  const was = form.has('withdraw') ? undefined : known;
  try {
    await orNotFound(
      keepCautions(db(), teacher, { participantId: id, cautions, consentOn: today, was }),
    );
  } catch (problem) {
    if (!(problem instanceof Refusal)) throw problem;
    const kept = await orNotFound(cautionsOf(db(), teacher, id));
    // Rather one caution too many: what is not so any more is a tick to take out.
    const all = allCarried(kept, cautions);
    return { cautions: all, was: kept, error: problem.message, kept: false };
  }
  refresh();
  return { cautions, was: cautions, error: null, kept: true };
}

const chosenSchema = z.object({ ids: z.string().max(4000), query: z.string().max(500) });

/** Ids of those who were chosen, or of all that the list shows. */
async function chosenIds(
  teacher: Teacher,
  { ids, query }: z.output<typeof chosenSchema>,
): Promise<string[]> {
  if (ids) return given(z.array(z.uuid()), ids.split(','));
  const asked = peopleAskedSchema.parse(Object.fromEntries(new URLSearchParams(query)));
  const of = { ...asked, zone: teacher.timeZone, now: now() };
  return (await peopleShown(db(), teacher, of)).map((p) => p.id);
}

export async function bookThemAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const schema = chosenSchema.extend({ classId: z.uuid() });
  return answerForm(form, schema, async ({ classId, ...chosen }) => {
    const ids = await chosenIds(teacher, chosen);
    // All of them or none.
    await db().transaction(async (trx) => {
      for (const participantId of ids) {
        const of = { participantId, classId, now: now(), zone: teacher.timeZone };
        await book(trx, teacher, of);
      }
    });
    refresh();
    const done = ids.length === 1 ? 'Booked.' : `${ids.length} people are booked.`;
    return `${done}${await waitsWords(db(), teacher, { participantIds: ids, now: now() })}`;
  });
}

export async function writeToThemAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const schema = chosenSchema.extend({
    subject: z.string().trim().min(1, 'Write what it is about.').max(120),
    body: z.string().trim().min(1, 'Write the letter.').max(4000, 'Use at most 4,000 characters.'),
  });
  return answerForm(form, schema, async ({ subject, body, ...chosen }) => {
    const ids = await chosenIds(teacher, chosen);
    const told = await writeTo(db(), teacher, { ids, subject, body, now: now() });
    const { already } = told;
    const again = already === 1 ? '1 had' : `${already} had`;
    return `${toldWords(told)}${already > 0 ? ` ${again} the same letter within this hour, and no second one.` : ''}`;
  });
}

/** Gives a class to those who are chosen, to do at home. */
export async function giveThemAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const schema = chosenSchema.extend({ classId: z.uuid() });
  return answerForm(form, schema, async ({ classId, ...chosen }) => {
    const ids = await chosenIds(teacher, chosen);
    const { given, against } = await giveToMany(db(), teacher, { ids, classId, now: now() });
    refresh();
    const without =
      against.length > 0 ? ` Not given, for what they carry: ${against.join(', ')}.` : '';
    return `${given === 1 ? '1 person has' : `${given} people have`} it on their own page now.${without}`;
  });
}
