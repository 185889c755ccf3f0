import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { logPractice } from '@/server/people/practice';
import { answeringOwner } from '../../handle';

export const POST = answeringOwner(CALLS.logAlone, async ({ owner, body, now }) => {
  const { participantId, timeZone: zone } = owner;
  // A device whose clock is ahead says that it was done in a moment from now.
  const at = Math.min(body.at, now);
  await logPractice(db(), owner, { ...body, at, participantId, byTeacher: false, zone, now });
  return {};
});
