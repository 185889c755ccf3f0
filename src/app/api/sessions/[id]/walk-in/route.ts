import { tz } from '@date-fns/tz';
import { formatISO } from 'date-fns';
import { z } from 'zod';
import { db } from '@/server/db';
import { newParticipantSchema } from '@/server/people/people';
import { roll, walkIn } from '@/server/sessions/register';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({ name: newParticipantSchema.shape.name });

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    const today = formatISO(now, { representation: 'date', in: tz(teacher.timeZone) });
    await walkIn(db(), teacher, id, body.name, today, now);
    return { roll: await roll(db(), teacher, id) };
  });
