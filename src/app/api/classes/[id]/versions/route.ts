import { CALLS } from '@/core/calls';
import { versionsOf } from '@/server/classes/classes';
import { db } from '@/server/db';
import { answering } from '../../../handle';

export const GET = answering(CALLS.classVersions, async ({ teacher, id }) => ({
  versions: await versionsOf(db(), teacher, id),
}));
