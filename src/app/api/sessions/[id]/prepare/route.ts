import { z } from 'zod';
import { db } from '@/server/db';
import { prepareRun } from '@/server/runs/runs';
import { voice } from '@/server/speech/voice';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

export const POST = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher, now }) => ({
    run: await prepareRun(db(), teacher, await idOf(context), now),
    voice: (await voice()) !== null,
    now,
  }));
