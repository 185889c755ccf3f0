import { CALLS } from '@/core/calls';
import { soundQueue } from '@/server/take-away/sound-queue';
import { answeringOwner } from '../../../handle';

/** How far the sound is that somebody asked for on their own page. */
export const GET = answeringOwner(CALLS.lookAtHomeSound, async ({ owner, id }) =>
  soundQueue().look(owner.participantId, id),
);
