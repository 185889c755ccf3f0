import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { recordingsOf, saveRecording } from '@/server/speech/recordings';
import { answering } from '../handle';

/** What the teacher has recorded. */
export const GET = answering(CALLS.listRecordings, async ({ teacher }) => ({
  recordings: await recordingsOf(db(), teacher),
}));

/** Keeps a cue in the teacher's own voice. */
export const POST = answering(CALLS.keepRecording, async ({ teacher, body, now }) => {
  const { text, language } = body;
  const wav = Buffer.from(body.wav, 'base64');
  return { recording: await saveRecording(db(), teacher, { text, language, wav }, now) };
});
