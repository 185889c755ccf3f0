import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { chooseSpeech } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { answering } from '../handle';

/** The voices to choose from. */
export const GET = answering(CALLS.listVoices, async () => {
  const machine = await voice();
  return { offers: machine?.offers ?? [], troubled: machine?.troubled ?? [] };
});

/** How the teacher wants to be heard from now on. */
export const PUT = answering(CALLS.chooseVoice, async ({ teacher, body }) => {
  await chooseSpeech(db(), teacher, body);
  return body;
});
