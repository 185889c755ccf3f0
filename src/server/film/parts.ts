import { FRAMES_A_SECOND, framesOf } from '@/core/film';

/** What stands in the folder of a film. */

/** A film is made in parts of ten seconds, so that what is made stays made when it is stopped. */
export const PART_FRAMES = 10 * FRAMES_A_SECOND;
export const DRAWABLE = 'film.json';
export const partName = (part: number): string => `part-${String(part).padStart(5, '0')}.mkv`;
/** What is still being written; it passes for nothing. */
export const UNFINISHED = '.new';

export const partsOf = (totalMs: number): number => Math.ceil(framesOf(totalMs) / PART_FRAMES);

/** One part of a film, and where it is made. */
export interface FilmPart {
  folder: string;
  part: number;
}
