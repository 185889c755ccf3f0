'use client';

import { libraryTrack } from '@library/tracks';
import { useMemo } from 'react';
import { sketched, type TrackOf } from '@/core/face';
import type { Move } from '@/core/move';

/** How moves look: as the library says, a teacher's own as they can be worked out. */
export function useTracks(moves: ReadonlyMap<string, Move>): TrackOf {
  return useMemo(
    () => (moveId, variant) => {
      const known = libraryTrack(moveId, variant);
      if (known) return known;
      const move = moves.get(moveId);
      return move ? sketched(move, variant) : null;
    },
    [moves],
  );
}
