import { z } from 'zod';
import { isNoText } from '../bounded';
import { LONGEST_NAME, musicIdSchema, pieceOfMusicSchema } from '../music';
import { call, file, made, nothing, sentAs } from './call';

export const musicNameSchema = z
  .string()
  .trim()
  .min(1, 'Give the piece a name.')
  .max(LONGEST_NAME, `must have at most ${LONGEST_NAME} letters`)
  .refine((name) => !isNoText(name), 'holds signs that are none');

/** Music that a studio has: two beds that are always there, and files of its own. */
export const MUSIC_CALLS = {
  listMusic: call({
    method: 'GET',
    path: '/api/music',
    asks: nothing,
    answers: z.object({ pieces: z.array(pieceOfMusicSchema) }),
  }),
  /** Takes a file of sound in, once for each id. */
  addMusic: call({
    method: 'POST',
    path: '/api/music',
    asks: z.object({ name: musicNameSchema, sentAs }),
    takes: 'application/octet-stream',
    answers: z.object({ piece: pieceOfMusicSchema }),
  }),
  /** A piece as a file that browsers play. */
  hearMusic: call({
    method: 'GET',
    path: '/api/music/[id]',
    id: musicIdSchema,
    asks: nothing,
    answers: file,
  }),
  renameMusic: call({
    method: 'PUT',
    path: '/api/music/[id]',
    id: z.uuid(),
    asks: z.object({ name: musicNameSchema }),
    answers: made,
  }),
  removeMusic: call({
    method: 'DELETE',
    path: '/api/music/[id]',
    id: z.uuid(),
    asks: nothing,
    answers: made,
  }),
} as const;
