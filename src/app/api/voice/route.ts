import { z } from 'zod';
import { VOICES } from '@/core/speech';
import { db } from '@/server/db';
import { chooseSpeech } from '@/server/speech/teacher-speech';
import { handle } from '../handle';

const bodySchema = z.object({ voice: z.enum(VOICES), ownVoice: z.boolean() });

/** How the teacher wants to be heard from now on. */
export const PUT = (request: Request) =>
  handle(request, bodySchema, async ({ teacher, body }) => {
    await chooseSpeech(db(), teacher, body);
    return body;
  });
