import { NextResponse } from 'next/server';
import { z } from 'zod';
import { parsePlan, planSchema } from '@/core/class';
import { getClass, savePlan } from '@/server/classes/classes';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { handle } from '../../handle';
import { type IdParams, idOf } from '../../params';

const bodySchema = z.object({ plan: planSchema, basedOn: z.number().int().positive() });

export const GET = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher }) => {
    const { plan, version } = await getClass(db(), teacher, await idOf(context));
    return { plan, version };
  });

export const PUT = (request: Request, context: IdParams) =>
  handle(request, bodySchema, async ({ teacher, body, now }) => {
    const id = await idOf(context);
    const book = await studioBook(db(), teacher);
    const parsed = parsePlan(body.plan, (move) => book.move(move) !== undefined);
    if (!parsed.ok) {
      const { field, message } = parsed.problems[0] ?? { field: 'plan', message: 'is not right' };
      return NextResponse.json(
        { message: `${field} ${message}`, problems: parsed.problems },
        { status: 400 },
      );
    }
    const saved = await savePlan(db(), teacher, id, body.plan, body.basedOn, now);
    if (saved.ok) return { version: saved.version };
    const { plan, version } = saved.current;
    return NextResponse.json(
      { message: 'This class was changed somewhere else.', plan, version },
      { status: 409 },
    );
  });
