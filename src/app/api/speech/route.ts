import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { byMachine, spoken } from '@/server/speech/teacher-speech';
import { answering } from '../handle';
import { wavAnswer } from '../wav';

export const GET = answering(CALLS.hear, async ({ teacher, body, request }) => {
  const { text, language, rate, voice } = body;
  const { signal } = request;
  const utterance = { text, language, wordsPerMinute: rate };
  const said = voice
    ? await byMachine(teacher, utterance, voice, { signal })
    : await spoken(db(), teacher, utterance, { signal });
  return wavAnswer(request, said);
});
