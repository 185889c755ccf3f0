import { z } from 'zod';
import { db } from '@/server/db';
import { closeSession } from '@/server/runs/runs';
import { roll } from '@/server/sessions/register';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({
  id: z.uuid(),
  at: z.number().int().nonnegative(),
  device: z.uuid(),
});

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    const { device, ...event } = body;
    await closeSession(db(), teacher, id, event, now, {
      device,
      timeZone: teacher.timeZone,
      teacherId: teacher.id,
    });
    return { roll: await roll(db(), teacher, id) };
  });
