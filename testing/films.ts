import type { FilmOptions } from '@/core/film';

/** What somebody may choose of a film. */
export const FILM: FilmOptions = {
  format: 'mp4',
  shape: 'wide',
  look: 'night',
  language: 'en',
  captions: 'in',
  facing: false,
  counts: true,
  music: false,
  easier: false,
};
