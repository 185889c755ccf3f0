import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { speakerOf } from '@/server/speech/teacher-speech';
import { answering } from '../../handle';

export const POST = answering(CALLS.speechLengths, async ({ teacher, body }) => {
  const speaker = await speakerOf(db(), teacher);
  return { lengths: await Promise.all(body.utterances.map((u) => speaker.length(u))) };
});
