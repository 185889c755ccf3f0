import { CALLS } from '@/core/calls';
import { soundQueue } from '@/server/take-away/sound-queue';
import { answering } from '../../handle';

/** How far the sound is that the teacher asked for. */
export const GET = answering(CALLS.lookAtSound, async ({ teacher, id }) =>
  soundQueue().look(teacher.id, id),
);
