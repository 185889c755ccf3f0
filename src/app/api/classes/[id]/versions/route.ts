import { z } from 'zod';
import { versionsOf } from '@/server/classes/classes';
import { db } from '@/server/db';
import { handle } from '../../../handle';
import { type IdParams, idOf } from '../../../params';

export const GET = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher }) => ({
    versions: await versionsOf(db(), teacher, await idOf(context)),
  }));
