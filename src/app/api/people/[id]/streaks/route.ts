import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { nameOf } from '@/server/people/people';
import { streaksBy } from '@/server/people/streaks';
import { streakTold } from '@/server/register/told';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readStreaks, async ({ teacher, id, now }) => {
  const of = { zone: teacher.timeZone, now };
  const name = await nameOf(db(), teacher, id);
  const streaks = await streaksBy(db(), teacher, { whose: { participantIds: [id] }, ...of });
  return { name, streaks: (streaks.get(id) ?? []).map((s) => streakTold(s, of)) };
});
