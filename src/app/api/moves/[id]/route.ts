import { CALLS, Refusal } from '@/core/calls';
import { db } from '@/server/db';
import { removeOwnMove, saveOwnMove } from '@/server/moves/moves';
import { answering } from '../../handle';

export const PUT = answering(CALLS.saveMove, async ({ teacher, id, body, now }) => {
  if (id !== body.move.id) throw new Refusal('other-address');
  await saveOwnMove(db(), teacher, body.move, { now, was: body.was });
  return { id };
});

export const DELETE = answering(CALLS.removeMove, async ({ teacher, id }) => {
  await removeOwnMove(db(), teacher, id);
  return { id };
});
