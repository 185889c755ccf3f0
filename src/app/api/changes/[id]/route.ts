import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { takeBack } from '@/server/register/correct';
import { lineAfter } from '@/server/register/line';
import { answering } from '../../handle';

export const POST = answering(CALLS.takeBackMark, async ({ teacher, id, body, now }) => {
  const line = await takeBack(db(), teacher, { id, as: body.change, by: teacher.name, now });
  const of = { ...line, from: body.from, zone: teacher.timeZone, now };
  return { line: await lineAfter(db(), teacher, of) };
});
