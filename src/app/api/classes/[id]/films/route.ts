import { CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { filmsOf, orderFilm } from '@/server/film/films';
import { filmMaker } from '@/server/film/maker';
import { answering } from '../../../handle';

export const GET = answering(CALLS.listFilms, async ({ teacher, id }) => ({
  films: await filmsOf(db(), teacher, id),
}));

export const POST = answering(CALLS.orderFilm, async ({ teacher, id, body, now }) => {
  const { sentAs, ...options } = body;
  const asked = { id: sentAs, classId: id, options, now };
  return { film: await orderFilm({ db: db(), maker: filmMaker() }, teacher, asked) };
});
