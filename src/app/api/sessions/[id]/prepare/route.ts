import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { prepareRun } from '@/server/runs';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { answering } from '../../../handle';

export const POST = answering(CALLS.prepareSession, async ({ teacher, id, body, now }) => {
  const speaker = await speakerOf(db(), teacher);
  const talk = await talkOfTeacher(db(), teacher);
  const saying = { speaker, talk, wordsPerMinute: body.wordsPerMinute };
  const scores = await prepareRun(db(), teacher, { sessionId: id, now, ...saying });
  return { scores, voice: (await voice()) !== null, now };
});
