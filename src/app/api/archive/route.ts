import { Readable } from 'node:stream';
import { CALLS, Refusal } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { takeIn } from '@/server/archive/import';
import { alone, spooled } from '@/server/archive/spool';
import { unzipped } from '@/server/archive/unzip';
import type { Teacher } from '@/server/auth/sign-ins';
import { db } from '@/server/db';
import { answering } from '../handle';

function ownersOnly(teacher: Teacher): void {
  if (teacher.role !== 'owner') throw new Refusal('owners-only');
}

/** The studio as a file to keep. */
export const GET = answering(CALLS.exportStudio, async ({ teacher, now, request }) => {
  ownersOnly(teacher);
  const { signal } = request;
  const { stream, bytes } = await alone(teacher, () => spooled(db(), teacher, { now, signal }));
  const name = `up-beat-${dateOn(now, teacher.timeZone)}.zip`;
  return new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'Content-Type': 'application/zip',
      'Content-Length': String(bytes),
      'Content-Disposition': `attachment; filename="${name}"`,
      'Cache-Control': 'private, no-store',
    },
  });
});

/** Takes such a file in. */
export const POST = answering(CALLS.importStudio, async ({ teacher, now, request }) => {
  ownersOnly(teacher);
  return alone(teacher, async () => {
    const body = request.body ?? new ReadableStream({ start: (c) => c.close() });
    const files = await unzipped(body as unknown as AsyncIterable<Uint8Array>);
    return takeIn(db(), teacher, { files, now });
  });
});
