import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { nameOf } from '@/server/people/people';
import { progressOf } from '@/server/people/programmes';
import { streaksBy } from '@/server/people/streaks';
import { programmeTold, streakTold } from '@/server/register/told';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readStreaks, async ({ teacher, id, now }) => {
  const of = { zone: teacher.timeZone, now };
  const name = await nameOf(db(), teacher, id);
  const [streaks, programmes] = await Promise.all([
    streaksBy(db(), teacher, { whose: { participantIds: [id] }, ...of }),
    progressOf(db(), teacher, { of: { participantId: id }, ...of }),
  ]);
  return {
    name,
    streaks: [
      ...(streaks.get(id) ?? []).map((s) => streakTold(s, of)),
      ...programmes.map((p) => programmeTold(p, of)),
    ],
  };
});
