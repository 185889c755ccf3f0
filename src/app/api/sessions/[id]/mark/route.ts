import { z } from 'zod';
import { markSchema } from '@/core/attendance';
import { db } from '@/server/db';
import { mark, roll } from '@/server/sessions/register';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({ participantId: z.uuid(), mark: markSchema.nullable() });

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    await mark(db(), teacher, id, body.participantId, body.mark, now);
    return { roll: await roll(db(), teacher, id) };
  });
