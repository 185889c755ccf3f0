import { LRUCache } from 'lru-cache';
import { Refusal } from '@/core/calls';
import { type FollowDocument, slowerRate, textsOf } from '@/core/follow';
import type { Language } from '@/core/language';
import type { Utterance } from '@/core/speech';
import type { Db } from '../db';
import { found } from '../scope';
import { type SpokenAudio, spoken } from '../speech/teacher-speech';
import type { Follower } from './followers';

/** What may be said in a class, by the session and how often it was made ready. */
const known = new LRUCache<string, Map<string, Set<Language>>>({ max: 50 });

/**
 * A cue as the teacher wants it heard, for somebody who follows: only what the class says, at its rate or more slowly.
 * @throws Refusal `not-found`, `class-not-ready`, and as `spoken` does
 */
export async function followedSpeech(
  db: Db,
  { sessionId, studioId }: Follower,
  utterance: Utterance,
  signal?: AbortSignal,
): Promise<SpokenAudio> {
  const of = { 'runs.session_id': sessionId, 'runs.studio_id': studioId };
  const row = await db('runs')
    .where(of)
    .first('prepared', 'led_by', db.raw("(follow->'score'->>'wordsPerMinute')::int as rate"));
  if (!row?.led_by || row.rate === null) throw new Refusal('class-not-ready');
  const key = `${sessionId} ${row.prepared}`;
  let texts = known.get(key);
  if (!texts) {
    const made = found<{ follow: FollowDocument }>(
      await db('runs').where(of).first('follow'),
      'class',
    );
    texts = textsOf(made.follow);
    known.set(key, texts);
  }
  const { text, language, wordsPerMinute } = utterance;
  const rates = [row.rate, slowerRate(row.rate)];
  if (!rates.includes(wordsPerMinute) || !texts.get(text)?.has(language)) {
    throw new Refusal('not-found', 'cue');
  }
  return spoken(db, { id: row.led_by, studioId }, utterance, { signal });
}
