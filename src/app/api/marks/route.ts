import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { libraryMarks, ownMarks } from '@/server/moves/marks';
import { answering } from '../handle';

/** Marks never change under their stamp. */
export const GET = answering(CALLS.moveMarks, async ({ teacher, body }) => {
  const sheet = body.of === 'library' ? libraryMarks().sheet : await ownMarks(db(), teacher);
  return new Response(sheet, {
    headers: {
      'Content-Type': 'image/svg+xml',
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  });
});
