import { z } from 'zod';
import { db } from '@/server/db';
import { getLog, takeLead } from '@/server/runs/runs';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

export const POST = (request: Request, context: IdParams) =>
  handle(request, z.object({ device: z.uuid() }), async ({ teacher, body, now }) => {
    const id = await idOf(context);
    await takeLead(db(), teacher, id, body.device);
    const { events, leader } = await getLog(db(), teacher, id);
    return { events, leader, now };
  });
