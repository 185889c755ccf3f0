import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { classAudio } from '@/server/take-away/audio';
import { takenClass } from '@/server/take-away/worded';
import { answering } from '../../../handle';
import { soundFile } from '../../../sound-file';

export const GET = answering(CALLS.takeSound, async ({ teacher, id, body, request }) => {
  const { as, counts, music, phase, ticket } = body;
  const worded = () => takenClass(db(), teacher, id, body);
  const asked = {
    as,
    counts: counts === 'yes',
    music: music === 'yes',
    signal: request.signal,
    ...(phase && { phase }),
    ...(ticket && { ticket }),
  };
  return soundFile(await classAudio(db(), teacher, worded, asked), as);
});
