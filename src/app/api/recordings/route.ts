import { z } from 'zod';
import { cueTextSchema, languageSchema } from '@/core/move';
import { db } from '@/server/db';
import { recordingsOf, saveRecording } from '@/server/speech/recordings';
import { handle } from '../handle';

const bodySchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  /** A WAV file in base64. */
  wav: z.base64().max(1_950_000),
});

/** What the teacher has recorded. */
export const GET = (request: Request) =>
  handle(request, z.object({}), async ({ teacher }) => ({
    recordings: await recordingsOf(db(), teacher),
  }));

/** Keeps a cue in the teacher's own voice. */
export const POST = (request: Request) =>
  handle(request, bodySchema, async ({ teacher, body: { text, language, wav }, now }) => {
    const bytes = Buffer.from(wav, 'base64');
    return { recording: await saveRecording(db(), teacher, { text, language, wav: bytes }, now) };
  });
