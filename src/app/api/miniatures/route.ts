import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { libraryMiniatures, ownMiniatures } from '@/server/moves/miniatures';
import { answering } from '../handle';

/** Miniatures never change under their stamp; under another one they are kept by nobody. */
export const GET = answering(CALLS.miniatures, async ({ teacher, body }) => {
  const { sheet, stamp } =
    body.of === 'library' ? libraryMiniatures() : await ownMiniatures(db(), teacher);
  const keep = body.stamp === stamp ? 'private, max-age=31536000, immutable' : 'no-store';
  return new Response(sheet, {
    headers: { 'Content-Type': 'image/svg+xml', 'Cache-Control': keep },
  });
});
