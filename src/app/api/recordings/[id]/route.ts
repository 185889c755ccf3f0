import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { found } from '@/server/scope';
import { recordedAudio, removeRecording } from '@/server/speech/recordings';
import { answering } from '../../handle';

export const GET = answering(CALLS.hearRecording, async ({ teacher, id }) => {
  const { wav } = found(await recordedAudio(db(), teacher, { id }), 'recording');
  return new Response(new Uint8Array(wav), {
    headers: { 'Content-Type': 'audio/wav', 'Cache-Control': 'private, no-cache' },
  });
});

export const DELETE = answering(CALLS.removeRecording, async ({ teacher, id }) => {
  await removeRecording(db(), teacher, id);
  return { id };
});
