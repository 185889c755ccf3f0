import { CALLS, Refusal } from '@/core/calls';
import { parsePlan } from '@/core/class';
import { getClass, savePlan } from '@/server/classes/classes';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { outlineAhead } from '@/server/outlines/outlines';
import { answering } from '../../handle';

export const GET = answering(CALLS.readClass, ({ teacher, id }) => getClass(db(), teacher, id));

export const PUT = answering(CALLS.saveClass, async ({ teacher, id, body, now }) => {
  const book = await studioBook(db(), teacher);
  const parsed = parsePlan(body.plan, (move) => book.move(move) !== undefined);
  if (!parsed.ok) {
    const { problems } = parsed;
    const { field, message } = problems[0] ?? { field: 'plan', message: 'is not right' };
    throw new Refusal('bad-class', `${field} ${message}`, { problems });
  }
  const saved = await savePlan(db(), teacher, { id, plan: body.plan, basedOn: body.basedOn, now });
  if (saved.ok) {
    outlineAhead(db(), teacher, { classId: id, plan: parsed.value, now });
    return { version: saved.version };
  }
  const { plan, version } = saved.current;
  throw new Refusal('changed-elsewhere', '', { plan, version });
});
