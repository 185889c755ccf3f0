import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { chooseSpeech } from '@/server/speech/teacher-speech';
import { answering } from '../handle';

/** How the teacher wants to be heard from now on. */
export const PUT = answering(CALLS.chooseVoice, async ({ teacher, body }) => {
  await chooseSpeech(db(), teacher, body);
  return body;
});
