import { NextResponse } from 'next/server';
import { z } from 'zod';
import { db } from '@/server/db';
import { found } from '@/server/scope';
import { recordedAudio, removeRecording } from '@/server/speech/recordings';
import { handle } from '../../handle';
import { type IdParams, idOf } from '../../params';

/** What was recorded, as a WAV file. */
export const GET = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher }) => {
    const { wav } = found(
      await recordedAudio(db(), teacher, { id: await idOf(context) }),
      'recording',
    );
    return new NextResponse(new Uint8Array(wav), {
      headers: { 'Content-Type': 'audio/wav', 'Cache-Control': 'private, no-cache' },
    });
  });

export const DELETE = (request: Request, context: IdParams) =>
  handle(request, z.object({}), async ({ teacher }) => {
    const id = await idOf(context);
    await removeRecording(db(), teacher, id);
    return { id };
  });
