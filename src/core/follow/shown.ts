import type { TrackOf } from '../face';
import type { Language } from '../language';
import { OPENING, QUESTIONS } from '../score';
import type { FollowDocument } from './document';
import { wordsIn } from './words';

/** How moves look in a class that is followed: the studio's own as they were sent, all others as the library has them. */
export function trackIn({ moves }: FollowDocument, libraryTrack: TrackOf): TrackOf {
  const tracks = new Map(moves.map((m) => [m.id, m.tracks]));
  return (id, variant) => {
    const own = tracks.get(id);
    return own?.[variant ?? 'own'] ?? own?.own ?? libraryTrack(id, variant);
  };
}

/** Names of moves in a language; of what is only said, what it is. */
export function nameIn({ moves }: FollowDocument, language: Language): (moveId: string) => string {
  const words = wordsIn(language);
  return (moveId) => {
    if (moveId === OPENING) return words.opening;
    if (moveId === QUESTIONS) return words.questions;
    const names = moves.find((move) => move.id === moveId)?.names;
    return names?.[language] ?? names?.en ?? '';
  };
}
