import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { takenClass } from '@/server/take-away/worded';
import { wordsFile } from '@/server/take-away/words';
import { attached } from '../../../attached';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takeWords, async ({ teacher, id, body }) => {
  const { as, counts, language } = body;
  const worded = await takenClass(db(), teacher, id, body);
  return attached(wordsFile(worded, { as, counts: counts === 'yes', language }), {
    name: `class.${language}.${as === 'text' ? 'txt' : as === 'srt' ? 'srt' : 'vtt'}`,
    type: as === 'vtt' || as === 'chapters' ? 'text/vtt' : 'text/plain',
  });
});
