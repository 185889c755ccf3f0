import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { basisOf } from '@/server/runs';
import { roll } from '@/server/sessions/register';
import { getSession } from '@/server/sessions/sessions';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readRoll, async ({ teacher, id }) => {
  const session = await getSession(db(), teacher, id);
  const { classId, className, startsAt, status, runStartedAt } = session;
  const expected = await roll(db(), teacher, id);
  return {
    roll: expected,
    basis: runStartedAt === null ? await basisOf(db(), teacher, { classId, expected }) : null,
    session: { className, startsAt, status },
  };
});
