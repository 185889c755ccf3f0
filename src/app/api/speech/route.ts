import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { spoken } from '@/server/speech/teacher-speech';
import { answering } from '../handle';
import { wavAnswer } from '../wav';

export const GET = answering(CALLS.hear, async ({ teacher, body, request }) => {
  const { text, language, rate } = body;
  const utterance = { text, language, wordsPerMinute: rate };
  return wavAnswer(request, await spoken(db(), teacher, utterance, { signal: request.signal }));
});
