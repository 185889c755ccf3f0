import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { askQuestion } from '@/server/follow/followers';
import { answeringFollower } from '../../handle';

export const POST = answeringFollower(CALLS.askQuestion, async ({ follower, body, now }) => {
  const { sentAs: id, ...asked } = body;
  await askQuestion(db(), follower, { id, ...asked, now });
  return {};
});
