import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { appendEvents, getLog } from '@/server/runs';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readLog, async ({ teacher, id, now }) => ({
  ...(await getLog(db(), teacher, id)),
  now,
}));

export const POST = answering(CALLS.sendEvents, async ({ teacher, id, body, now }) => {
  const sender = { device: body.device, timeZone: teacher.timeZone, by: teacher.name };
  return {
    ...(await appendEvents(db(), teacher, { runId: id, drafts: body.events, now, ...sender })),
    now,
  };
});
