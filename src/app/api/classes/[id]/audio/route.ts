import { Readable } from 'node:stream';
import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { AUDIO_TYPES, classAudio } from '@/server/take-away/audio';
import { wordedClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takeSound, async ({ teacher, id, body, request }) => {
  const { as, counts, music, easier, phase } = body;
  const worded = await wordedClass(db(), teacher, id, { easier: easier === 'yes' });
  const asked = {
    as,
    counts: counts === 'yes',
    music: music === 'yes',
    signal: request.signal,
    ...(phase && { phase }),
  };
  const { stream, bytes } = await classAudio(db(), teacher, worded, asked);
  return new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'Content-Type': AUDIO_TYPES[as],
      ...(bytes !== null && { 'Content-Length': String(bytes) }),
      'Content-Disposition': `attachment; filename="class.${as}"`,
      'Cache-Control': 'private, no-store',
    },
  });
});
