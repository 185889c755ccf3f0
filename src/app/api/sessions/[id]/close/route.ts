import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { endDoor } from '@/server/follow/doors';
import { closeSession } from '@/server/runs';
import { roll } from '@/server/sessions/register';
import { answering } from '../../../handle';

export const POST = answering(CALLS.closeSession, async ({ teacher, id, body, now }) => {
  const { device, ...event } = body;
  const sender = { device, timeZone: teacher.timeZone, teacherId: teacher.id, by: teacher.name };
  await closeSession(db(), teacher, { sessionId: id, draft: event, now, ...sender });
  await endDoor(db(), teacher, id, now);
  return { roll: await roll(db(), teacher, id) };
});
