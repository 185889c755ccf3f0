'use client';

import { libraryTrack, trackOfMove } from '@library/tracks';
import { useMemo } from 'react';
import type { TrackOf } from '@/core/face';
import type { Move } from '@/core/move';

/** How moves look: as the library says, a teacher's own as they can be worked out. */
export function useTracks(moves: ReadonlyMap<string, Move>): TrackOf {
  return useMemo(
    () => (moveId, variant) => {
      const move = moves.get(moveId);
      return move ? trackOfMove(move, variant) : (libraryTrack(moveId, variant) ?? null);
    },
    [moves],
  );
}
