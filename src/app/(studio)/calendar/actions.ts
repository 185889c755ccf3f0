'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import {
  dateSchema,
  MISSING,
  mondayOf,
  type Rule,
  ruleSchema,
  TWICE,
  timeOfDaySchema,
  WEEKDAYS,
  type Weekday,
} from '@/core/calendar';
import { clock, dayLabel, timeOfDay } from '@/core/formats';
import type { Teacher } from '@/server/auth/sign-ins';
import { againInTheWay } from '@/server/calendar/change';
import { closeFor, reopen } from '@/server/calendar/closures';
import { type Foreseen, foresee, planSessions, type Wish } from '@/server/calendar/plan';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { once } from '@/server/errands';
import { outlinesOf } from '@/server/outlines/outlines';
import { type Line, type PlanState, REPEATS, type Repeats, TURNS } from '@/ui/calendar/plan';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../auth';
import { answerForm, errandIn, idOf } from '../../forms';
import { orNotFound } from '../../or-not-found';
import { tellCancelled, tellPlanned, withTold } from '../../told-words';
import { whereSchema } from './where';

const chosen = <T extends string>(options: readonly [T, ...T[]]) =>
  z
    .enum(options)
    .or(z.literal('').transform(() => undefined))
    .optional();

const planSchema = z
  .object({
    class0: z.uuid('Choose a class.'),
    class1: z.uuid().or(z.literal('')),
    class2: z.uuid().or(z.literal('')),
    class3: z.uuid().or(z.literal('')),
    start: dateSchema,
    time: timeOfDaySchema,
    repeats: z.enum(REPEATS),
    count: z.string().trim(),
    last: z.string().trim(),
    ...whereSchema,
    missing: chosen(MISSING),
    twice: chosen(TWICE),
    step: z.literal('plan').optional(),
    ...Object.fromEntries(WEEKDAYS.map((day) => [day, z.literal('on').optional()])),
  })
  .transform((given, context) => {
    const { start, time, repeats, missing, twice, teacherId, place, link, roomFor } = given;
    const days = WEEKDAYS.filter((day) => (given as Record<string, unknown>)[day] === 'on');
    const rule = repeats === 'once' ? null : ruleOf({ ...given, repeats }, days);
    if (typeof rule === 'string') {
      context.addIssue({ code: 'custom', path: ['count'], message: rule });
      return z.NEVER;
    }
    const classIds = TURNS.map((turn) => given[turn]).filter((id) => id !== '');
    const where = { teacherId, place, link, roomFor };
    const wish: Wish = { start, time, rule, classIds, ...where, missing, twice };
    return { wish, planned: given.step === 'plan' };
  });

const END = 'Write after how many sessions it ends, or choose the last day.';

/** The rule that was typed, or what to do about it. */
function ruleOf(
  { repeats, count, last }: { repeats: Exclude<Repeats, 'once'>; count: string; last: string },
  days: readonly Weekday[],
): Rule | string {
  if (!count && !last) return END;
  const end = last ? { by: 'day', last } : { by: 'number', count: Number(count) };
  const how = {
    daily: { repeats: 'daily', every: 1 },
    weekly: { repeats: 'weekly', every: 1, days },
    fortnightly: { repeats: 'weekly', every: 2, days },
    monthly: { repeats: 'monthly', every: 1 },
  }[repeats];
  const parsed = ruleSchema.safeParse({ ...how, end });
  return parsed.success ? parsed.data : (parsed.error.issues[0]?.message ?? END);
}

/** Shows what would come onto the calendar, and with the second button puts it there. */
export async function planAction(_: PlanState, form: FormData): Promise<PlanState> {
  const teacher = await requireTeacher();
  const zone = teacher.timeZone;
  let lines: Line[] | undefined;
  let to: string | undefined;
  const state = await answerForm(form, planSchema, async ({ wish, planned }) => {
    if (planned) {
      const of = { wish, zone, now: now() };
      const { told } = await withTold(teacher, async (telling) => {
        // Where it was sent before, the letters were written then.
        let ids: string[] = [];
        const answers = z.array(z.uuid());
        await once(telling.db, teacher, errandIn(form, of.now), answers, async (trx) => {
          ids = await planSessions(trx, teacher, of);
          return ids;
        });
        await tellPlanned(telling, ids);
      });
      const there = `/calendar?view=term&from=${mondayOf(wish.start)}`;
      if (!told) redirect(there);
      to = there;
      return `Planned.${told}`;
    }
    const all = await foresee(db(), teacher, { wish, zone });
    const classes = await classesOf(teacher, wish.classIds);
    lines = all.map((s) => lineOf(s, { zone, ...(classes.get(s.classId) ?? UNKNOWN) }));
    return '';
  });
  return { ...state, lines, to };
}

const OVER = { teacher: 'at the same time, with the same teacher', place: 'in the same place' };

/** A class as far as planning tells of it: its name, and by how much it is longer than its slot, in ms. */
interface PlannedClass {
  name: string;
  overMs: number;
}
const UNKNOWN: PlannedClass = { name: '', overMs: 0 };

async function classesOf(
  teacher: Teacher,
  ids: readonly string[],
): Promise<ReadonlyMap<string, PlannedClass>> {
  const classes = (await listClasses(db(), teacher)).filter((c) => ids.includes(c.id));
  const outlines = await outlinesOf(db(), teacher, { classIds: ids, now: now() });
  return new Map(
    classes.map(({ id, name, slotSeconds }) => {
      const overMs = (outlines.get(id)?.totalMs ?? 0) - 1000 * slotSeconds;
      return [id, { name, overMs }];
    }),
  );
}

function lineOf(s: Foreseen, { zone, name, overMs }: PlannedClass & { zone: string }): Line {
  const when = (ms: number) => `${dayLabel(ms, zone)}, ${timeOfDay(ms, zone)}`;
  const conflicts = s.conflicts.map(
    (c) => `${c.name} at ${timeOfDay(c.startsAt, zone)} is ${OVER[c.over]}`,
  );
  const closed = s.closed === null ? [] : [`${s.closed}: cancelled`];
  const over = overMs > 0 ? [`${clock(overMs)} longer than its slot`] : [];
  const notes = [...closed, ...over, ...conflicts];
  return { occurrence: s.occurrence, when: when(s.startsAt), className: name, notes };
}

const closureSchema = z
  .object({
    name: z.string().trim().min(1, 'Say what for.').max(60, 'Use at most 60 characters.'),
    from: dateSchema,
    to: dateSchema,
  })
  .refine(({ from, to }) => from <= to, {
    path: ['to'],
    message: 'The last day comes before the first. Choose a later one.',
  });

export async function closeAction(_: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, closureSchema, async (closure) => {
    const of = { closure, zone: teacher.timeZone, now: now() };
    const errand = errandIn(form, of.now);
    const { done: cancelled, told } = await withTold(teacher, async (telling) => {
      // Where it was sent before, the letters were written then.
      let ids: string[] = [];
      const many = await once(telling.db, teacher, errand, z.number(), async (trx) => {
        ids = (await closeFor(trx, teacher, of)).cancelled;
        return ids.length;
      });
      await tellCancelled(telling, { ids, again: false });
      return many;
    });
    refresh();
    const many = cancelled === 1 ? 'One session is' : `${cancelled} sessions are`;
    return `Closed. ${many} cancelled.${told}`;
  });
}

/** Takes closed days back, and writes to those who are booked. @returns what became of it, in words; nothing where nothing did */
export async function reopenAction(form: FormData): Promise<string> {
  const teacher = await requireTeacher();
  const opened = withTold(teacher, async (telling) => {
    const again = await reopen(telling.db, teacher, idOf(form.get('id')));
    const way = await againInTheWay(telling.db, teacher, { ids: again, zone: teacher.timeZone });
    if (way) telling.say(`Look at what is there by now: ${way}.`);
    await tellCancelled(telling, { ids: again, again: true });
    return again;
  });
  const { done: ids, told } = await orNotFound(opened);
  refresh();
  if (ids.length === 0) return '';
  const many = ids.length === 1 ? 'One session takes' : `${ids.length} sessions take`;
  return `Open again. ${many} place.${told}`;
}
