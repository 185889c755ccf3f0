import { z } from 'zod';
import { languageSchema } from '../move';

/** What somebody chooses of a film of a class. */

export const FILM_SHAPES = ['wide', 'upright'] as const;
export type FilmShape = (typeof FILM_SHAPES)[number];
export const FILM_LOOKS = ['day', 'night'] as const;
export type FilmLook = (typeof FILM_LOOKS)[number];
export const FILM_FORMATS = ['mp4', 'webm'] as const;
export type FilmFormat = (typeof FILM_FORMATS)[number];

export const filmOptionsSchema = z.strictObject({
  format: z.enum(FILM_FORMATS),
  shape: z.enum(FILM_SHAPES),
  look: z.enum(FILM_LOOKS),
  language: languageSchema,
  /** Whether what is said stands in the picture, or beside it as captions that a player shows or hides. */
  captions: z.enum(['in', 'beside']),
  /** As somebody who faces you, instead of a mirror. */
  facing: z.boolean(),
  /** Whether counts and tones are heard. */
  counts: z.boolean(),
  /** Whether the music of the class is under it. */
  music: z.boolean().default(false),
  /** With the easier version of every move that has one. */
  easier: z.boolean(),
});
export type FilmOptions = z.infer<typeof filmOptionsSchema>;

/** Pictures a second: each then takes whole ms. */
export const FRAMES_A_SECOND = 20;
export const FRAME_MS = 1000 / FRAMES_A_SECOND;

/** In px. */
export const FILM_SIZES: Record<FilmShape, { width: number; height: number }> = {
  wide: { width: 1280, height: 720 },
  upright: { width: 720, height: 1280 },
};

/** How many pictures a film of some length has; the last one ends with it or after it. */
export const framesOf = (totalMs: number): number => Math.ceil(totalMs / FRAME_MS);

/** `waiting` for its turn, `making`, `stopped` by its teacher, `failed` for a reason, `done`. */
export const FILM_STATES = ['waiting', 'making', 'stopped', 'failed', 'done'] as const;
export type FilmState = (typeof FILM_STATES)[number];

/** A film as a screen shows it. */
export const filmSchema = z.object({
  id: z.uuid(),
  /** What the class was called. */
  name: z.string(),
  options: filmOptionsSchema,
  state: z.enum(FILM_STATES),
  /** How much of it is made, 0 to 1. */
  share: z.number(),
  bytes: z.number().nullable(),
  /** Why it failed, as a sentence. */
  problem: z.string().nullable(),
  /** The class was changed since. */
  old: z.boolean(),
  /** In epoch ms. */
  createdAt: z.number(),
  /** When it is forgotten, in epoch ms; null while it is not done. */
  until: z.number().nullable(),
});
export type FilmToTake = z.infer<typeof filmSchema>;

/** Most films that one teacher has, whatever their state. */
export const MOST_FILMS = 6;
/** Longest class that is filmed, in minutes. */
export const MOST_FILM_MINUTES = 90;
/** A film is kept for so many days. */
export const FILM_DAYS = 14;
