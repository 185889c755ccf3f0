import type { FilmFormat, FilmLook, FilmShape } from '@/core/film';

/** What the choices of a film are called. */
export const SHAPES: Record<FilmShape, string> = {
  wide: 'Wide, 1280 × 720',
  upright: 'Upright, 720 × 1280',
};
export const LOOKS: Record<FilmLook, string> = { day: 'Day', night: 'Night' };
export const FORMATS: Record<FilmFormat, string> = {
  mp4: 'MP4, for any player',
  webm: 'WebM, an open format',
};
