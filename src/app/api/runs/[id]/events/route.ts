import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { appendEvents, getLog } from '@/server/runs';
import { answering } from '../../../handle';

export const GET = answering(CALLS.readLog, async ({ teacher, id, body, now }) => {
  const part = { after: body.after, forScreen: body.screen !== undefined };
  return { ...(await getLog(db(), teacher, id, part)), now };
});

export const POST = answering(CALLS.sendEvents, async ({ teacher, id, body, now }) => {
  const sender = { device: body.device, timeZone: teacher.timeZone, by: teacher.name };
  const asked = { runId: id, drafts: body.events, after: body.after, now, ...sender };
  return { ...(await appendEvents(db(), teacher, asked)), now };
});
