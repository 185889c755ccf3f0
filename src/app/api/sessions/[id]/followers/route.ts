import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { turnAway } from '@/server/follow/followers';
import { doorTold } from '@/server/follow/told';
import { answering } from '../../../handle';

export const POST = answering(CALLS.turnAway, async ({ teacher, id, body, now }) => {
  await turnAway(db(), teacher, { sessionId: id, followerId: body.followerId, now });
  return doorTold(db(), teacher, id, now);
});
