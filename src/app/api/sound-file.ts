import { Readable } from 'node:stream';
import type { AudioFormat } from '@/core/take-away';
import { AUDIO_TYPES } from '@/server/take-away/audio';

/** A class as sound, sent while it is made. @param bytes how long it will be, where that is known */
export const soundFile = (
  { stream, bytes }: { stream: Readable; bytes: number | null },
  as: AudioFormat,
): Response =>
  new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'Content-Type': AUDIO_TYPES[as],
      ...(bytes !== null && { 'Content-Length': String(bytes) }),
      'Content-Disposition': `attachment; filename="class.${as}"`,
      'Cache-Control': 'private, no-store',
    },
  });
