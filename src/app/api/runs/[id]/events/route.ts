import { z } from 'zod';
import { runEventDraftSchema } from '@/core/run';
import { db } from '@/server/db';
import { appendEvents, getLog } from '@/server/runs/runs';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({
  device: z.uuid(),
  events: z.array(runEventDraftSchema).min(1).max(500),
});

export const GET = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher, now }) => {
    const { events, leader } = await getLog(db(), teacher, await idOf(context));
    return { events, leader, now };
  });

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body: { device, events }, now }) => {
    const id = await idOf(context);
    const sender = { device, timeZone: teacher.timeZone };
    await appendEvents(db(), teacher, id, events, now, sender);
    const log = await getLog(db(), teacher, id);
    return { events: log.events, leader: log.leader, now };
  });
