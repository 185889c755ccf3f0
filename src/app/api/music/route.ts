import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { addMusic, musicOf } from '@/server/music/music';
import { answering } from '../handle';

/** What the studio can play. */
export const GET = answering(CALLS.listMusic, async ({ teacher }) => ({
  pieces: await musicOf(db(), teacher),
}));

/** Takes a file of music in. */
export const POST = answering(CALLS.addMusic, async ({ teacher, body, request, now }) => {
  const { name, sentAs: id } = body;
  const sent = request.body ?? new ReadableStream({ start: (c) => c.close() });
  const bytes = sent as unknown as AsyncIterable<Uint8Array>;
  return { piece: await addMusic(db(), teacher, { id, name, bytes, now }, request.signal) };
});
