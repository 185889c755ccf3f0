import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { keepSaidWord } from '@/server/speech/said-words';
import { answering } from '../../handle';

/** How a word is said from now on. */
export const POST = answering(CALLS.keepSaidWord, ({ teacher, body, now }) =>
  keepSaidWord(db(), teacher, body, now),
);
