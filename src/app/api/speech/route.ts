import { NextResponse } from 'next/server';
import { z } from 'zod';
import { cueTextSchema, languageSchema } from '@/core/move';
import { db } from '@/server/db';
import { spoken } from '@/server/speech/teacher-speech';
import { handle } from '../handle';

const askedSchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  rate: z.coerce.number().int().min(80).max(260),
});

/**
 * A cue as audio, in the voice its teacher chose or recorded. Browsers may keep it, but ask each time
 * whether it is still the one.
 */
export const GET = (request: Request) =>
  handle(request, askedSchema, async ({ teacher, body: { text, language, rate } }) => {
    const audio = await spoken(db(), teacher, { text, language, wordsPerMinute: rate });
    if (!audio) {
      return NextResponse.json({ message: 'This machine has no speech program.' }, { status: 503 });
    }
    const etag = `"${audio.mark}"`;
    const headers = { ETag: etag, 'Cache-Control': 'private, no-cache' };
    if (request.headers.get('if-none-match') === etag) {
      return new NextResponse(null, { status: 304, headers });
    }
    return new NextResponse(new Uint8Array(audio.wav), {
      headers: { ...headers, 'Content-Type': 'audio/wav' },
    });
  });
