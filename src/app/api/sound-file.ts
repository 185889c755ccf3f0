import { Readable } from 'node:stream';
import type { AudioFormat } from '@/core/take-away';
import { AUDIO_TYPES } from '@/server/take-away/audio';
import type { SentFile } from '@/server/with-folder';

/** A class as sound. */
export const soundFile = ({ stream, bytes }: SentFile, as: AudioFormat): Response =>
  new Response(Readable.toWeb(stream) as ReadableStream, {
    headers: {
      'Content-Type': AUDIO_TYPES[as],
      'Content-Length': String(bytes),
      'Content-Disposition': `attachment; filename="class.${as}"`,
      'Cache-Control': 'private, no-store',
    },
  });
