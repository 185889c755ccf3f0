import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { followedSpeech } from '@/server/follow/speech';
import { answeringFollower } from '../../handle';
import { wavAnswer } from '../../wav';

export const GET = answeringFollower(CALLS.hearFollowed, async ({ follower, body, request }) => {
  const { text, language, rate } = body;
  const utterance = { text, language, wordsPerMinute: rate };
  return wavAnswer(request, await followedSpeech(db(), follower, utterance, request.signal));
});
