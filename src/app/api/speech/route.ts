import { NextResponse } from 'next/server';
import { z } from 'zod';
import { cueTextSchema, languageSchema } from '@/core/move';
import { voice } from '@/server/speech/voice';
import { handle } from '../handle';

const askedSchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  rate: z.coerce.number().int().min(80).max(260),
});

/** A cue as audio. What is spoken never changes under one address, so browsers may keep it. */
export const GET = (request: Request) =>
  handle(request, askedSchema, async ({ body: { text, language, rate } }) => {
    const speaker = await voice();
    if (!speaker) {
      return NextResponse.json({ message: 'This machine has no speech program.' }, { status: 503 });
    }
    const wav = await speaker.audio({ text, language, wordsPerMinute: rate });
    return new NextResponse(new Uint8Array(wav), {
      headers: {
        'Content-Type': 'audio/wav',
        'Cache-Control': 'private, max-age=31536000, immutable',
      },
    });
  });
