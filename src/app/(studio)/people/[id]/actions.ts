'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import { z } from 'zod';
import { dateSchema } from '@/core/calendar';
import { dateLabel, dateOn } from '@/core/formats';
import { checkInSchema, practiceSchema, practisedAt } from '@/core/people';
import type { Teacher } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { type Db, db } from '@/server/db';
import { once } from '@/server/errands';
import { consentToCheckIns, keepCheckIn } from '@/server/people/check-ins';
import { erasePerson } from '@/server/people/erase';
import { makeHomeClass, takeHomeClass } from '@/server/people/home';
import { joinPeople, limitedByJoin, undoJoin } from '@/server/people/join';
import {
  book,
  changePerson,
  comeBack,
  dropPause,
  endBooking,
  leaveStudio,
  nameOf,
  newParticipantSchema,
  pause,
} from '@/server/people/people';
import { settleNote } from '@/server/people/person';
import {
  dropHome,
  dropPractice,
  logPractice,
  makeHome,
  takeDayOff,
} from '@/server/people/practice';
import { limitedSessionsOf, movingPlaces } from '@/server/sessions/bookings';
import { addressOf } from '@/server/studio/address';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../../auth';
import { answerForm, errandIn, idOf, tickedSchema, touchedIn } from '../../../forms';
import { orNotFound } from '../../../or-not-found';
import { tellPlaces, waitsWords, withTold } from '../../../told-words';

const uuid = z.uuid();

/** Does something after which some people are expected in fewer sessions; whoever waited for room is told. */
async function makingRoom(
  teacher: Teacher,
  { participantIds, at }: { participantIds: string[]; at: number },
  work: (trx: Db) => Promise<void>,
): Promise<string> {
  const { told } = await withTold(teacher, async (telling) => {
    const { db: trx } = telling;
    const sessionIds = await limitedSessionsOf(trx, teacher, { participantIds, now: at });
    const moved = await movingPlaces(trx, teacher, { sessionIds, work: () => work(trx) });
    await tellPlaces(telling, moved);
  });
  return told;
}

export async function changePersonAction(
  id: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const teacher = await requireTeacher();
  const schema = newParticipantSchema.extend({ greet: tickedSchema });
  return answerForm(form, schema, async ({ greet, ...person }) => {
    await changePerson(db(), teacher, { id: idOf(id), ...touchedIn(form, { ...person, greet }) });
    refresh();
    return 'Kept.';
  });
}

export async function bookAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ classId: uuid }), async ({ classId }) => {
    const at = now();
    const participantId = idOf(id);
    await book(db(), teacher, { participantId, classId, now: at, zone: teacher.timeZone });
    refresh();
    const waits = await waitsWords(db(), teacher, { participantIds: [participantId], now: at });
    return `Booked.${waits}`;
  });
}

const bookingSchema = z.object({ end: uuid.optional(), unpause: uuid.optional() });

/** Ends a booking, or takes a pause back: whichever button was pressed. */
export async function bookingAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const participantId = idOf(id);
  return answerForm(form, bookingSchema, async ({ end, unpause }) => {
    const at = now();
    let moved = '';
    if (end) {
      const of = { participantId, classId: end, now: at };
      const whose = { participantIds: [participantId], at };
      moved = await makingRoom(teacher, whose, (trx) => endBooking(trx, teacher, of));
    }
    if (unpause) {
      await dropPause(db(), teacher, { participantId, id: unpause, now: at });
      moved = await waitsWords(db(), teacher, { participantIds: [participantId], now: at });
    }
    refresh();
    return `${end ? 'The booking has ended.' : 'The pause is taken back.'}${moved}`;
  });
}

export async function pauseAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const participantId = idOf(id);
  const schema = z
    .object({ from: dateSchema, to: dateSchema })
    .refine((s) => s.from <= s.to, { path: ['to'], message: 'A pause ends after it has begun.' });
  return answerForm(form, schema, async (span) => {
    const at = now();
    const whose = { participantIds: [participantId], at };
    const moved = await makingRoom(teacher, whose, async (all) => {
      await once(all, teacher, errandIn(form, at), z.uuid(), (trx) =>
        pause(trx, teacher, { participantId, span, now: at }),
      );
    });
    refresh();
    return `Noted: a pause from ${dateLabel(span.from)} to ${dateLabel(span.to)}.${moved}`;
  });
}

const noteSchema = z.object({ settle: uuid.optional(), open: uuid.optional() });

export async function noteAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, noteSchema, async ({ settle, open }) => {
    const note = idOf(settle ?? open);
    const of = { participantId: idOf(id), id: note, settled: settle !== undefined };
    await settleNote(db(), teacher, { ...of, now: now() });
    refresh();
    return settle ? 'Settled.' : 'Open again.';
  });
}

export async function practiceAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const drop = uuid.safeParse(form.get('drop'));
  const participantId = idOf(id);
  if (drop.success) {
    return answerForm(new FormData(), z.object({}), async () => {
      await dropPractice(db(), teacher, { participantId, id: drop.data });
      refresh();
      return 'Taken out.';
    });
  }
  if (form.has('off')) {
    return answerForm(form, z.object({ day: dateSchema }), async ({ day }) => {
      await takeDayOff(db(), teacher, { participantId, day, off: true });
      refresh();
      return `${dateLabel(day)} is off.`;
    });
  }
  const on = dateSchema.safeParse(form.get('on'));
  if (on.success) {
    return answerForm(new FormData(), z.object({}), async () => {
      await takeDayOff(db(), teacher, { participantId, day: on.data, off: false });
      refresh();
      return 'Taken back.';
    });
  }
  return answerForm(form, practiceSchema, async ({ day, minutes }) => {
    const [at, zone] = [now(), teacher.timeZone];
    await logPractice(db(), teacher, {
      id: errandIn(form, at).errand,
      participantId,
      at: practisedAt(day, { zone, now: at }),
      seconds: minutes && minutes * 60,
      byTeacher: true,
      zone,
      now: at,
    });
    refresh();
    return 'Logged.';
  });
}

export async function makeHomeAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({}), async () => {
    const address = addressOf(`/home/${await makeHome(db(), teacher, idOf(id))}`);
    refresh();
    return `Hand on this address:\n${address}`;
  });
}

export async function dropHomeAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({}), async () => {
    await dropHome(db(), teacher, idOf(id));
    refresh();
    return 'Revoked.';
  });
}

/** Joins somebody else of the register with this person, who is kept. */
export async function joinAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const undo = uuid.safeParse(form.get('undo'));
  const at = now();
  if (undo.success) {
    return answerForm(new FormData(), z.object({}), async () => {
      const of = { id: undo.data, now: at };
      const { told } = await withTold(teacher, async (telling) => {
        const { db: trx } = telling;
        const sessionIds = await limitedByJoin(trx, teacher, of);
        const work = () => undoJoin(trx, teacher, of);
        await tellPlaces(telling, await movingPlaces(trx, teacher, { sessionIds, work }));
      });
      refresh();
      return `They are two again.${told}`;
    });
  }
  return answerForm(form, z.object({ person: uuid.or(z.literal('')) }), async ({ person }) => {
    const goneId = uuid.safeParse(person);
    if (!goneId.success) return 'Choose somebody first.';
    const name = await nameOf(db(), teacher, goneId.data);
    const of = { keptId: idOf(id), goneId: goneId.data, now: at };
    const whose = { participantIds: [of.keptId, of.goneId], at };
    const moved = await makingRoom(teacher, whose, async (trx) => {
      await joinPeople(trx, teacher, of);
    });
    refresh();
    return `Everything of ${name} stands here now. It can be undone for a day.${moved}`;
  });
}

export async function leaveAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const participantId = idOf(id);
  return answerForm(form, z.object({ back: z.string().optional() }), async ({ back }) => {
    const at = now();
    if (back) {
      await comeBack(db(), teacher, participantId);
      refresh();
      return 'They are back. Book them on their classes.';
    }
    const on = dateOn(at, teacher.timeZone);
    const moved = await makingRoom(teacher, { participantIds: [participantId], at }, (trx) =>
      leaveStudio(trx, teacher, { id: participantId, on, now: at }),
    );
    refresh();
    return `They have left, and are in no list any more.${moved}`;
  });
}

/** Erases somebody for good; their name has to be written, so that nobody goes by a slip. */
export async function eraseAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  const participantId = idOf(id);
  const name = await orNotFound(nameOf(db(), teacher, participantId));
  const schema = z.object({
    name: z
      .string()
      .refine((typed) => typed.trim() === name.trim(), 'Write their name as it stands here.'),
  });
  return answerForm(form, schema, async () => {
    const whose = { participantIds: [participantId], at: now() };
    const moved = await makingRoom(teacher, whose, (trx) =>
      erasePerson(trx, teacher, participantId),
    );
    // With nobody to be told of there is nothing to read before the page goes.
    if (!moved) redirect('/people');
    return `${name} is erased.${moved}`;
  });
}

const minutesSchema = z.object({ minutes: z.coerce.number().int().min(1).max(30) });

/** Drafts a class for somebody to do at home, or takes one back whose button was pressed. */
export async function homeClassAction(
  id: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const teacher = await requireTeacher();
  const participantId = idOf(id);
  const back = uuid.safeParse(form.get('back'));
  if (back.success) {
    return answerForm(new FormData(), z.object({}), async () => {
      await takeHomeClass(db(), teacher, { participantId, classId: back.data });
      refresh();
      return 'Taken back. The class stays among your classes.';
    });
  }
  return answerForm(form, minutesSchema, async ({ minutes }) => {
    const of = { participantId, minutes, zone: teacher.timeZone };
    const { left } = await makeHomeClass(db(), teacher, { ...of, ...errandIn(form, now()) });
    refresh();
    const without = left.length > 0 ? ` Left out, for what they carry: ${left.join(', ')}.` : '';
    return `Drafted and given. Look at it in Compose before you hand on their page.${without}`;
  });
}

/** Notes that somebody agrees to check-ins, or withdraws: then all of them are forgotten. */
export async function checkInConsentAction(
  id: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, z.object({ withdraw: z.string().optional() }), async ({ withdraw }) => {
    const on = withdraw ? null : dateOn(now(), teacher.timeZone);
    await consentToCheckIns(db(), teacher, { participantId: idOf(id), on });
    refresh();
    return withdraw ? 'Withdrawn, and all of it is forgotten.' : 'Noted.';
  });
}

export async function checkInAction(id: string, _: FormState, form: FormData): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(form, checkInSchema, async (given) => {
    const of = { participantId: idOf(id), given, zone: teacher.timeZone, now: now() };
    await keepCheckIn(db(), teacher, of);
    refresh();
    return 'Kept.';
  });
}
