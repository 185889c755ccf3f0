import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { basisOf } from '@/server/runs';
import { roll } from '@/server/sessions/register';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readRoll, async ({ teacher, id }) => {
  const entries = await roll(db(), teacher, id);
  return {
    roll: entries,
    basis: await basisOf(db(), teacher, { sessionId: id, expected: entries }),
  };
});
