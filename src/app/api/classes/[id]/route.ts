import { NextResponse } from 'next/server';
import { z } from 'zod';
import { planSchema } from '@/core/class';
import { savePlan } from '@/server/classes/classes';
import { db } from '@/server/db';
import { handle } from '../../handle';
import { type IdParams, idOf } from '../../params';

const bodySchema = z.object({ plan: planSchema, basedOn: z.number().int().positive() });

export const PUT = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    const saved = await savePlan(db(), teacher, id, body.plan, body.basedOn, now);
    if (saved.ok) return { version: saved.version };
    const { plan, version } = saved.current;
    return NextResponse.json(
      { message: 'This class was changed somewhere else.', plan, version },
      { status: 409 },
    );
  });
