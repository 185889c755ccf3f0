'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { dateSchema } from '@/core/calendar';
import { dateOn } from '@/core/formats';
import { STREAK_RULES, type StreakRuleKey, streakRuleSchema } from '@/core/streak';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { once } from '@/server/errands';
import { giveToMany } from '@/server/people/home';
import {
  endProgramme,
  enrol,
  leaveProgramme,
  makeProgramme,
  programmesOf,
} from '@/server/people/programmes';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../../auth';
import { answerForm, errandIn, idOf } from '../../../forms';

const KEYS = Object.keys(STREAK_RULES) as [StreakRuleKey, ...StreakRuleKey[]];
const uuid = z.uuid();

const givenSchema = z
  .object({
    name: z.string().trim().min(1, 'Give the programme a name.').max(80),
    classId: uuid.or(z.literal('').transform(() => null)),
    homeClassId: uuid.or(z.literal('').transform(() => null)),
    rule: z.enum(KEYS),
    weeks: z
      .string()
      .trim()
      .regex(/^\d{1,3}$/, 'Write a number of weeks.')
      .transform(Number)
      .refine((n) => n >= 1 && n <= 104, 'A programme lasts 1 to 104 weeks.'),
  })
  .refine((g) => g.classId !== null || STREAK_RULES[g.rule].practice, {
    path: ['rule'],
    message: 'Without a class only a rule by which practice at home counts can be kept.',
  });

export async function makeProgrammeAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  let made: string | null = null;
  const state = await answerForm(form, givenSchema, async ({ rule, ...given }) => {
    const programme = { ...given, rule: streakRuleSchema.parse(STREAK_RULES[rule]) };
    const of = { programme, now: now() };
    made = await once(db(), teacher, errandIn(form, of.now), z.uuid(), (trx) =>
      makeProgramme(trx, teacher, of),
    );
    return 'Made.';
  });
  if (made) redirect(`/people/programmes/${made}`);
  return state;
}

const enrolSchema = z.object({ person: uuid.or(z.literal('')), from: dateSchema });

/** Takes somebody in, or lets somebody go whose button was pressed. */
export async function enrolAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const programme = idOf(id);
  const leave = uuid.safeParse(form.get('leave'));
  if (leave.success) {
    return answerForm(new FormData(), z.object({}), async () => {
      const on = dateOn(now(), teacher.timeZone);
      await leaveProgramme(db(), teacher, { id: programme, participantId: leave.data, on });
      refresh();
      return 'They have left the programme.';
    });
  }
  return answerForm(form, enrolSchema, async ({ person, from }) => {
    const participantId = uuid.safeParse(person);
    if (!participantId.success) return 'Choose somebody first.';
    await enrol(db(), teacher, { id: programme, participantId: participantId.data, from });
    const of = (await programmesOf(db(), teacher)).find((p) => p.id === programme);
    let against: string[] = [];
    if (of?.homeClassId) {
      const given = { ids: [participantId.data], classId: of.homeClassId, now: now() };
      against = (await giveToMany(db(), teacher, given)).against;
    }
    refresh();
    return against.length > 0
      ? 'Enrolled, without the class to do at home: something they carry is against a move of it.'
      : 'Enrolled.';
  });
}

export async function endAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ again: z.string().optional() }), async ({ again }) => {
    const on = again ? null : dateOn(now(), teacher.timeZone);
    await endProgramme(db(), teacher, { id: idOf(id), on });
    refresh();
    return again ? 'It runs again.' : 'The programme has ended.';
  });
}
