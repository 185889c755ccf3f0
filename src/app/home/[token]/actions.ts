'use server';

import { refresh } from 'next/cache';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { dateSchema } from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { homeWordsIn } from '@/core/home/words';
import { checkInSchema, practiceSchema, practisedAt } from '@/core/people';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { openTo } from '@/server/follow/doors';
import { comesIn } from '@/server/follow/flood';
import { comeIn } from '@/server/follow/followers';
import { keepCheckIn } from '@/server/people/check-ins';
import { dropPractice, logPractice, ownerOfHome, takeDayOff } from '@/server/people/practice';
import type { FormState } from '@/ui/kit/form';
import { keepFollowToken } from '../../auth';
import { answerForm, errandIn } from '../../forms';
import { languageOf } from './language';

/** Whoever has the address, as long as it was not revoked, and what they are told of what they send. */
async function owner(token: string) {
  const of = (await ownerOfHome(db(), z.string().max(200).parse(token))) ?? notFound();
  const { done, wrong, unreadable, refused } = homeWordsIn(await languageOf(of));
  const why = ({ code, message }: Refusal) => refused[code] ?? message;
  const answer = <S extends z.ZodType>(
    form: FormData,
    schema: S,
    work: (given: z.output<S>) => Promise<string>,
  ) => answerForm(form, schema, work, { wrong, unreadable, refused: why });
  return { of, done, answer };
}

export async function logMineAction(
  token: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const { of, done, answer } = await owner(token);
  if (form.has('off')) {
    return answer(form, z.object({ day: dateSchema }), async ({ day }) => {
      await takeDayOff(db(), of, { participantId: of.participantId, day, off: true });
      refresh();
      return done.off;
    });
  }
  return answer(form, practiceSchema, async ({ day, minutes }) => {
    const [at, zone] = [now(), of.timeZone];
    await logPractice(db(), of, {
      id: errandIn(form, at).errand,
      participantId: of.participantId,
      at: practisedAt(day, { zone, now: at }),
      seconds: minutes && minutes * 60,
      byTeacher: false,
      zone,
      now: at,
    });
    refresh();
    return done.logged;
  });
}

export async function dropMineAction(
  token: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const { of, done, answer } = await owner(token);
  return answer(form, z.object({ drop: z.uuid() }), async ({ drop }) => {
    await dropPractice(db(), of, { participantId: of.participantId, id: drop });
    refresh();
    return done.takenOut;
  });
}

export async function checkInMineAction(
  token: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const { of, done, answer } = await owner(token);
  return answer(form, checkInSchema, async (given) => {
    const { participantId, timeZone: zone } = of;
    await keepCheckIn(db(), of, { participantId, given, zone, now: now() });
    refresh();
    return done.kept;
  });
}

/** Comes in to the class that is open to them now: the teacher sees who it is. */
export async function followMineAction(
  token: string,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const { of, done, answer } = await owner(token);
  let code: string | null = null;
  const state = await answer(form, z.object({}), async () => {
    comesIn(now());
    const door = await openTo(db(), of, of.participantId, now());
    if (!door) throw new Refusal('no-such-code');
    const { name, participantId } = of;
    await keepFollowToken(await comeIn(db(), door, { name, participantId }, now()));
    code = door.code;
    return done.in;
  });
  if (code) redirect(`/follow/${code}`);
  return state;
}
