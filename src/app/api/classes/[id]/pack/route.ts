import { Readable } from 'node:stream';
import { CALLS } from '@/core/calls';
import { getClass } from '@/server/classes/classes';
import { db } from '@/server/db';
import { classPack } from '@/server/take-away/pack';
import { wordedClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takePack, async ({ teacher, id, body, request, now }) => {
  const { plan } = await getClass(db(), teacher, id);
  const worded = await wordedClass(db(), teacher, id);
  const { timeZone } = teacher;
  const { signal } = request;
  const asked = { plan, worded, counts: body.counts === 'yes', signal, now, timeZone };
  const pieces = await classPack(db(), teacher, asked);
  return new Response(Readable.toWeb(Readable.from(pieces)) as ReadableStream, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Disposition': 'attachment; filename="class.zip"',
      'Cache-Control': 'private, no-store',
    },
  });
});
