import { CALLS } from '@/core/calls';
import { isBed } from '@/core/music';
import { db } from '@/server/db';
import { bedFile } from '@/server/music/beds';
import { musicFile, removeMusic, renameMusic } from '@/server/music/music';
import { answering } from '../../handle';

/** A piece as it is played. It never changes under its id. */
export const GET = answering(CALLS.hearMusic, async ({ teacher, id }) => {
  const file = isBed(id) ? await bedFile(id) : await musicFile(db(), teacher, id);
  return new Response(new Uint8Array(file), {
    headers: {
      'Content-Type': isBed(id) ? 'audio/wav' : 'audio/mpeg',
      'Content-Length': String(file.length),
      'Cache-Control': 'private, max-age=86400',
    },
  });
});

export const PUT = answering(CALLS.renameMusic, async ({ teacher, id, body }) => {
  await renameMusic(db(), teacher, { id, ...body });
  return { id };
});

export const DELETE = answering(CALLS.removeMusic, async ({ teacher, id }) => {
  await removeMusic(db(), teacher, id);
  return { id };
});
