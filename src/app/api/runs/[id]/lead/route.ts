import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { getLog, takeLead } from '@/server/runs';
import { answering } from '../../../handle';

export const POST = answering(CALLS.takeLead, async ({ teacher, id, body, now }) => {
  await takeLead(db(), teacher, id, body.device);
  return { ...(await getLog(db(), teacher, id)), now };
});
