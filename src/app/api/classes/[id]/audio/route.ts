import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { classAudio } from '@/server/take-away/audio';
import { wordedClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';
import { soundFile } from '../../../sound-file';

export const GET = answering(CALLS.takeSound, async ({ teacher, id, body, request }) => {
  const { as, counts, music, easier, phase } = body;
  const worded = await wordedClass(db(), teacher, id, { easier: easier === 'yes' });
  const asked = {
    as,
    counts: counts === 'yes',
    music: music === 'yes',
    signal: request.signal,
    ...(phase && { phase }),
  };
  return soundFile(await classAudio(db(), teacher, worded, asked), as);
});
