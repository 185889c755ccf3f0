import { NextResponse } from 'next/server';
import { z } from 'zod';
import { moveIdSchema, moveSchema } from '@/core/move';
import { db } from '@/server/db';
import { removeOwnMove, saveOwnMove } from '@/server/moves/moves';
import { NotFound } from '@/server/scope';
import { handle } from '../../handle';
import type { IdParams } from '../../params';

async function moveIdOf({ params }: IdParams): Promise<string> {
  const parsed = moveIdSchema.safeParse((await params).id);
  if (!parsed.success) throw new NotFound('There is no move under this address.');
  return parsed.data;
}

export const PUT = (request: Request, context: IdParams) =>
  handle(request, z.object({ move: moveSchema }), async ({ teacher, body, now }) => {
    const id = await moveIdOf(context);
    if (id !== body.move.id) {
      return NextResponse.json({ message: 'The move and its address differ.' }, { status: 400 });
    }
    await saveOwnMove(db(), teacher, body.move, now);
    return { id };
  });

export const DELETE = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher }) => {
    const id = await moveIdOf(context);
    await removeOwnMove(db(), teacher, id);
    return { id };
  });
