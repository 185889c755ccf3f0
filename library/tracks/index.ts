import { ownTrack, type Track, trackOf } from '@/core/face';
import type { Move, Variant } from '@/core/move';
import { bodyTracks } from './body';
import { cheekTracks } from './cheeks';
import { eyeTracks } from './eyes';
import { jawTracks } from './jaw';
import { massageTracks } from './massage';
import { mouthTracks } from './mouth';
import { neckTracks } from './neck';
import type { AreaTracks } from './shape';

/** How every built-in move looks, by its id. */
export const TRACKS: AreaTracks = {
  ...bodyTracks,
  ...neckTracks,
  ...jawTracks,
  ...mouthTracks,
  ...cheekTracks,
  ...eyeTracks,
  ...massageTracks,
};

const read = new Map<string, Track>();

/** The track of a built-in move in a version; undefined for moves of a teacher's own. */
export function libraryTrack(moveId: string, variant?: Variant): Track | undefined {
  const written = TRACKS[moveId];
  if (!written) return undefined;
  const key = `${moveId} ${variant ?? ''}`;
  const track = read.get(key) ?? trackOf(written, variant);
  read.set(key, track);
  return track;
}

/** How a move looks: as its teacher drew it, as the library says, or as it can be worked out. */
export const trackOfMove = (move: Move, variant?: Variant): Track =>
  (move.looks ? undefined : libraryTrack(move.id, variant)) ?? ownTrack(move, variant);
