import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { wordedClass } from '@/server/take-away/worded';
import { wordsFile } from '@/server/take-away/words';
import { attached } from '../../../attached';
import { answering } from '../../../handle';

export const GET = answering(CALLS.takeWords, async ({ teacher, id, body }) => {
  const { as, counts, easier, language } = body;
  const worded = await wordedClass(db(), teacher, id, { easier: easier === 'yes' });
  return attached(wordsFile(worded, { as, counts: counts === 'yes', language }), {
    name: `class.${language}.${as === 'text' ? 'txt' : as === 'srt' ? 'srt' : 'vtt'}`,
    type: as === 'vtt' || as === 'chapters' ? 'text/vtt' : 'text/plain',
  });
});
