import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { letTakeHome, openDoor, shutDoor } from '@/server/follow/doors';
import { doorTold } from '@/server/follow/told';
import { getSession } from '@/server/sessions/sessions';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readDoor, async ({ teacher, id, now }) => {
  await getSession(db(), teacher, id);
  return doorTold(db(), teacher, id, now);
});

export const POST = answering(CALLS.changeDoor, async ({ teacher, id, body, now }) => {
  const { takeHome } = body;
  if (takeHome !== undefined) {
    await letTakeHome(db(), teacher, { sessionId: id, takeHome, now });
  }
  await (body.shut ? shutDoor : openDoor)(db(), teacher, id, now);
  return doorTold(db(), teacher, id, now);
});
