import type { WrittenTrack } from '@/core/face';

/** Tracks of moves by their ids. */
export type AreaTracks = Record<string, WrittenTrack>;

type Versions = Pick<WrittenTrack, 'easier' | 'harder'>;

/** How a move looks: its key poses, the hands, and what is different in its versions. */
export const shows = (
  keys: string | readonly string[],
  hands = '',
  versions: Versions = {},
): WrittenTrack => ({ keys, ...(hands && { hands }), ...versions });
