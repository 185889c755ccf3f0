import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { inTurns } from '@/server/speech/speaker';
import { speakerOf } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { answering } from '../../handle';

export const POST = answering(CALLS.speechLengths, async ({ teacher, body, request }) => {
  const machine = await voice();
  const speaker = await speakerOf(db(), teacher, machine, {
    signal: request.signal,
    device: 'as chosen',
  });
  const lengths = await inTurns(body.utterances, (u) => speaker.length(u));
  return { lengths, voice: machine !== null };
});
