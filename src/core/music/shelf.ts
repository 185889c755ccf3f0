import { z } from 'zod';

/** Music that is always there: made in code, so that nobody has rights in it but the studio that plays it. */
export const BEDS = ['tide', 'lamp'] as const;
export type Bed = (typeof BEDS)[number];
export const BED_NAMES: Record<Bed, string> = { tide: 'Slow tide', lamp: 'Lamp light' };

/** What a piece of music is known by: a bed, or the id of a file of the studio's own. */
const UUID = '[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}';
export const musicIdSchema = z
  .string({ error: 'must be a piece of music' })
  .regex(new RegExp(`^(${BEDS.join('|')}|${UUID})$`), 'must be a piece of music');
export type MusicId = z.infer<typeof musicIdSchema>;
export const isBed = (id: string): id is Bed => (BEDS as readonly string[]).includes(id);

/** A piece of music as it is played. */
export interface TimedPiece {
  id: MusicId;
  /** How long it is, in ms. */
  ms: number;
}

/** A piece of music as a screen shows it. */
export const pieceOfMusicSchema = z.object({
  id: musicIdSchema,
  name: z.string(),
  ms: z.number(),
});
export type PieceOfMusic = z.infer<typeof pieceOfMusicSchema>;

/** Longest name of a piece, in letters. */
export const LONGEST_NAME = 80;
/** Most pieces of its own that a studio keeps, and how many minutes they may be in all. */
export const MOST_PIECES = 40;
export const MOST_MUSIC_MINUTES = 120;
/** Longest piece, in minutes, and the shortest, in seconds. */
export const LONGEST_PIECE_MINUTES = 15;
export const SHORTEST_PIECE_SECONDS = 20;
/** Most bytes of a file before it is made smaller. */
export const MOST_MUSIC_MEGABYTES = 100;
/** Most pieces in the playlist of a phase. */
export const MOST_IN_PLAYLIST = 12;

/** How far music may be under the voice while somebody speaks, in LU. */
export const UNDER_DB = [12, 16, 20, 24, 28] as const;
/**
 * How far it is where nothing else was chosen: W3C, WCAG 2.2, success criterion 1.4.7, asks that what sounds behind
 * speech be at least 20 dB softer than it.
 */
export const USUAL_UNDER_DB = 20;
