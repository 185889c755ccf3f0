import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { correct } from '@/server/register/correct';
import { lineAfter } from '@/server/register/line';
import { answering } from '../../../handle';

export const POST = answering(CALLS.correctMark, async ({ teacher, id, body, now }) => {
  const line = { sessionId: id, participantId: body.participantId };
  const { said, from } = body;
  const saying = { line, said, id: body.change, by: teacher.name, now };
  const change = await correct(db(), teacher, saying);
  const of = { ...line, from, zone: teacher.timeZone, now };
  return { change, line: await lineAfter(db(), teacher, of) };
});
