import { CALLS } from '@/core/calls';
import { getClass } from '@/server/classes/classes';
import { sentRoom, surroundingsOf } from '@/server/compose/room';
import { db } from '@/server/db';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readRoom, async ({ teacher, id, body, now }) => {
  await getClass(db(), teacher, id);
  const of = { classId: id, zone: teacher.timeZone, now };
  const { room, own, stamp } = await surroundingsOf(db(), teacher, of);
  return { stamp, news: stamp === body.known ? null : { room: sentRoom(room), own } };
});
