import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { allSaid, prepareRun } from '@/server/runs';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { voice } from '@/server/speech/voice';
import { answering } from '../../../handle';

export const POST = answering(CALLS.prepareSession, async ({ teacher, id, body, now, request }) => {
  const machine = await voice();
  const { wordsPerMinute, deviceVoices: device = {} } = body;
  const asking = { urgency: 'prepared', signal: request.signal, device } as const;
  const speaker = await speakerOf(db(), teacher, machine, asking);
  const talk = await talkOfTeacher(db(), teacher);
  const saying = { speaker, talk, teacherId: teacher.id, wordsPerMinute };
  const { basis, ...scores } = await prepareRun(db(), teacher, { sessionId: id, now, ...saying });
  const said = allSaid([scores.score, scores.easier]);
  const unmeasured = said.filter((utterance) => !speaker.isMeasured(utterance));
  return { scores, basis, unmeasured, voice: machine !== null, now };
});
