import { z } from 'zod';
import { runEventDraftSchema } from '@/core/run';
import { db } from '@/server/db';
import { appendEvents, getRun } from '@/server/runs/runs';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

const bodySchema = z.object({ events: z.array(runEventDraftSchema).min(1).max(500) });

export const GET = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher, now }) => ({
    events: (await getRun(db(), teacher, await idOf(context))).events,
    now,
  }));

export const POST = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => ({
    events: await appendEvents(db(), teacher, await idOf(context), body.events, now),
    now,
  }));
