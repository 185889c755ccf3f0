import { z } from 'zod';
import { cueTextSchema, languageSchema } from '@/core/move';
import { db } from '@/server/db';
import { speakerOf } from '@/server/speech/teacher-speech';
import { handle } from '../../handle';

const utteranceSchema = z.object({
  text: cueTextSchema,
  language: languageSchema,
  wordsPerMinute: z.number().int().min(80).max(260),
});
const bodySchema = z.object({ utterances: z.array(utteranceSchema).max(1000) });

/** Measured lengths in ms, in the order asked; null where a text cannot be said here. */
export const POST = (request: Request) =>
  handle(request, bodySchema, async ({ teacher, body }) => {
    const speaker = await speakerOf(db(), teacher);
    return { lengths: await Promise.all(body.utterances.map((u) => speaker.length(u))) };
  });
