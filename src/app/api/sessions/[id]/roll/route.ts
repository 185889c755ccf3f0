import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { roll } from '@/server/sessions/register';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readRoll, async ({ teacher, id }) => ({
  roll: await roll(db(), teacher, id),
}));
