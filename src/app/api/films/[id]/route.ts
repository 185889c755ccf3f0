import { createReadStream } from 'node:fs';
import { Readable } from 'node:stream';
import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { FILM_TYPES, filmFile, goOnWithFilm, removeFilm, stopFilm } from '@/server/film/films';
import { filmMaker } from '@/server/film/maker';
import { answering } from '../../handle';

/** The film itself. */
export const GET = answering(CALLS.takeFilm, async ({ teacher, id }) => {
  const { file, bytes, film } = await filmFile(db(), teacher, id);
  const { format } = film.options;
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      'Content-Type': FILM_TYPES[format],
      'Content-Length': String(bytes),
      // What it is called says whoever saves it.
      'Content-Disposition': 'attachment',
      'Cache-Control': 'private, no-store',
    },
  });
});

export const POST = answering(CALLS.changeFilm, async ({ teacher, id, body, now }) => {
  const studio = { db: db(), maker: filmMaker() };
  const film =
    body.does === 'stop'
      ? await stopFilm(studio, teacher, id)
      : await goOnWithFilm(studio, teacher, { id, now });
  return { film };
});

export const DELETE = answering(CALLS.removeFilm, async ({ teacher, id }) => {
  await removeFilm({ db: db(), maker: filmMaker() }, teacher, id);
  return { id };
});
