import { Readable } from 'node:stream';
import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { homeAudio } from '@/server/take-away/at-home';
import { AUDIO_TYPES } from '@/server/take-away/audio';
import { answeringOwner } from '../../../../handle';

/** A class to do at home, as sound. */
export const GET = answeringOwner(CALLS.takeHomeSound, async ({ owner, id, body, request }) => {
  const { as } = body;
  const asked = { classId: id, as, signal: request.signal };
  const { stream, bytes } = await homeAudio(db(), owner, asked);
  return new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'Content-Type': AUDIO_TYPES[as],
      ...(bytes !== null && { 'Content-Length': String(bytes) }),
      'Content-Disposition': `attachment; filename="class.${as}"`,
      'Cache-Control': 'private, no-store',
    },
  });
});
