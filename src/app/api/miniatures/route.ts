import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { libraryMiniatures, ownMiniatures } from '@/server/moves/miniatures';
import { answering } from '../handle';

/** Miniatures never change under their stamp. */
export const GET = answering(CALLS.miniatures, async ({ teacher, body }) => {
  const sheet =
    body.of === 'library' ? libraryMiniatures().sheet : await ownMiniatures(db(), teacher);
  return new Response(sheet, {
    headers: {
      'Content-Type': 'image/svg+xml',
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  });
});
