import { libraryTrack } from '@library/tracks';
import { ownTrack, type Track } from '@/core/face';
import type { Move, Variant } from '@/core/move';

/** How a move looks: as its teacher drew it, as the library says, or as it can be worked out. */
export const trackOfMove = (move: Move, variant?: Variant): Track =>
  (move.looks ? undefined : libraryTrack(move.id, variant)) ?? ownTrack(move, variant);
