import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { removeSaidWord } from '@/server/speech/said-words';
import { answering } from '../../../handle';

/** The word is said as the voice says it again. */
export const DELETE = answering(CALLS.removeSaidWord, async ({ teacher, id }) => {
  await removeSaidWord(db(), teacher, id);
  return { id };
});
