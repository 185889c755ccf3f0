import { z } from 'zod';
import { db } from '@/server/db';
import { closeSession } from '@/server/runs/runs';
import { roll } from '@/server/sessions/register';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({ id: z.uuid(), at: z.number().int().nonnegative() });

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    await closeSession(db(), teacher, id, { ...body, type: 'finished' }, now);
    return { roll: await roll(db(), teacher, id) };
  });
