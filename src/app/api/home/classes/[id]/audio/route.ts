import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { homeAudio } from '@/server/take-away/at-home';
import { answeringOwner } from '../../../../handle';
import { soundFile } from '../../../../sound-file';

/** A class to do at home, as sound. */
export const GET = answeringOwner(CALLS.takeHomeSound, async ({ owner, id, body, request }) => {
  const { as, ticket } = body;
  const asked = { classId: id, as, signal: request.signal, ...(ticket && { ticket }) };
  return soundFile(await homeAudio(db(), owner, asked), as);
});
