import { libraryMove, phrasesOf } from '@library';
import type { Move } from '@/core/move';
import type { Book } from '@/core/score';

/** Where the classes of a studio look up moves and words. */
export interface StudioBook extends Book {
  /** Whose it is; those who have much worked out take turns. */
  owner: string;
  /** Moves that the library does not have. */
  own: readonly Move[];
}

/** A studio's own moves go before those of the library. */
export function bookOf(owner: string, own: readonly Move[]): StudioBook {
  const byId = new Map(own.map((move) => [move.id, move]));
  return { owner, own, move: (id) => byId.get(id) ?? libraryMove(id), phrases: phrasesOf };
}
