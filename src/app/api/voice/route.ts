import { speechChoiceSchema } from '@/core/speech';
import { db } from '@/server/db';
import { chooseSpeech } from '@/server/speech/teacher-speech';
import { handle } from '../handle';

/** How the teacher wants to be heard from now on. */
export const PUT = (request: Request) =>
  handle(request, speechChoiceSchema, async ({ teacher, body }) => {
    await chooseSpeech(db(), teacher, body);
    return body;
  });
