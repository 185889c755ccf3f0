import path from 'node:path';
import { phrasesOf } from '@library';
import { z } from 'zod';
import { REFUSALS, Refusal, type RefusalCode } from '@/core/calls';
import {
  FILM_DAYS,
  FILM_STATES,
  type FilmFormat,
  type FilmOptions,
  type FilmToTake,
  filmOptionsSchema,
  framesOf,
  MOST_FILM_MINUTES,
  MOST_FILMS,
} from '@/core/film';
import { getClass } from '../classes/classes';
import type { Db } from '../db';
import { bigintMs, epochMs, maybeEpochMs } from '../rows';
import type { Speaking } from '../speech/recordings';
import { wordedClass } from '../take-away/worded';
import { FilmFolder } from './folder';
import type { FilmMaker } from './maker';

/** The films of a teacher: ordered, stopped, gone on with, taken and removed. */

const DAY_MS = 86_400_000;

const rowSchema = z
  .object({
    id: z.uuid(),
    class_id: z.uuid(),
    name: z.string(),
    options: filmOptionsSchema,
    state: z.enum(FILM_STATES),
    frames: z.number(),
    frames_made: z.number(),
    bytes: bigintMs.nullable(),
    problem: z.string().nullable(),
    created_at: epochMs,
    done_at: maybeEpochMs,
    old: z.boolean(),
  })
  .transform(
    (row): FilmToTake => ({
      id: row.id,
      name: row.name,
      options: row.options,
      state: row.state,
      share: row.state === 'done' ? 1 : row.frames_made / row.frames,
      bytes: row.bytes,
      problem: row.problem && (REFUSALS[row.problem as RefusalCode]?.[1] ?? row.problem),
      old: row.old,
      createdAt: row.created_at,
      until: row.done_at === null ? null : row.done_at + FILM_DAYS * DAY_MS,
    }),
  );

const own = ({ id, studioId }: Speaking) => ({
  'films.teacher_id': id,
  'films.studio_id': studioId,
});

const rows = (db: Db, teacher: Speaking) =>
  db('films')
    .join('classes', 'classes.id', 'films.class_id')
    .where(own(teacher))
    .select('films.*', db.raw('films.class_version <> classes.version as old'))
    .orderBy('films.created_at', 'desc');

/** The films that a teacher has of a class, the latest first. */
export async function filmsOf(db: Db, teacher: Speaking, classId: string): Promise<FilmToTake[]> {
  await getClass(db, teacher, classId);
  return z.array(rowSchema).parse(await rows(db, teacher).where({ class_id: classId }));
}

async function film(db: Db, teacher: Speaking, id: string): Promise<FilmToTake> {
  const row = await rows(db, teacher).where({ 'films.id': id }).first();
  if (!row) throw new Refusal('not-found', 'film');
  return rowSchema.parse(row);
}

/** What it takes to make films: the process's own maker, or one of a test. */
export interface Studio {
  db: Db;
  maker: FilmMaker;
}

export interface FilmOrder {
  /** That of the film. Ordered again under the same, it is the film that there is. */
  id: string;
  classId: string;
  options: FilmOptions;
  now: number;
}

/**
 * Orders a film of a class as it is saved now. It is made when its turn comes.
 * @throws Refusal `not-found`, `empty-class`, `too-long-to-film`, `too-many-films`, and as `wordedClass` does
 */
export async function orderFilm(
  { db, maker }: Studio,
  teacher: Speaking,
  { id, classId, options, now }: FilmOrder,
): Promise<FilmToTake> {
  const { version } = await getClass(db, teacher, classId);
  const { easier } = options;
  const { score, document } = await wordedClass(db, teacher, classId, { easier });
  const { name, totalMs } = score;
  if (totalMs > MOST_FILM_MINUTES * 60_000) {
    throw new Refusal('too-long-to-film', String(MOST_FILM_MINUTES));
  }
  const isNew = await db.transaction(async (trx) => {
    // Two orders at once are counted one after the other.
    await trx('teachers').where({ id: teacher.id }).forUpdate().first('id');
    const before = await trx('films')
      .where({ ...own(teacher), id })
      .first('id');
    if (before) return false;
    const { n } = await trx('films').where(own(teacher)).first(trx.raw('count(*)::int as n'));
    if (n >= MOST_FILMS) throw new Refusal('too-many-films', String(MOST_FILMS));
    await trx('films').insert({
      id,
      studio_id: teacher.studioId,
      teacher_id: teacher.id,
      class_id: classId,
      class_version: version,
      name,
      options: JSON.stringify(options),
      state: 'waiting',
      frames: framesOf(totalMs),
      created_at: new Date(now),
      beat_at: new Date(now),
    });
    return true;
  });
  if (!isNew) return film(db, teacher, id);
  const { caution } = phrasesOf(options.language);
  try {
    await new FilmFolder(id).begin({ worded: { score, document }, options, caution });
  } catch (problem) {
    await db('films').where({ id }).delete();
    throw problem;
  }
  void maker.add({ id, studioId: teacher.studioId });
  return film(db, teacher, id);
}

/** Stops a film that is under way. What is made of it stays made. */
export async function stopFilm(
  { db, maker }: Studio,
  teacher: Speaking,
  id: string,
): Promise<FilmToTake> {
  await film(db, teacher, id);
  await db('films')
    .where({ ...own(teacher), id })
    .whereIn('state', ['waiting', 'making'])
    .update({ state: 'stopped' });
  maker.stop(id);
  return film(db, teacher, id);
}

/** Goes on with a film that was stopped or failed, from where it is. */
export async function goOnWithFilm(
  { db, maker }: Studio,
  teacher: Speaking,
  { id, now }: { id: string; now: number },
): Promise<FilmToTake> {
  await film(db, teacher, id);
  const waits = await db('films')
    .where({ ...own(teacher), id })
    .whereIn('state', ['stopped', 'failed'])
    .update({ state: 'waiting', problem: null, beat_at: new Date(now) });
  if (waits > 0) void maker.add({ id, studioId: teacher.studioId });
  return film(db, teacher, id);
}

/** Removes a film, whatever its state. */
export async function removeFilm(
  { db, maker }: Studio,
  teacher: Speaking,
  id: string,
): Promise<void> {
  await film(db, teacher, id);
  await db('films')
    .where({ ...own(teacher), id })
    .delete();
  maker.stop(id);
  await new FilmFolder(id).remove();
}

export const FILM_TYPES: Record<FilmFormat, string> = { mp4: 'video/mp4', webm: 'video/webm' };

/** Where a film is that is done; null where another machine made it. */
async function madeFile({ id, options }: FilmToTake): Promise<string | null> {
  const folder = new FilmFolder(id);
  const file = folder.film(options);
  return (await folder.has(path.basename(file))) ? file : null;
}

/** The file of a film that is done. @throws Refusal `not-found`, `film-not-done`, `film-elsewhere` */
export async function filmFile(
  db: Db,
  teacher: Speaking,
  id: string,
): Promise<{ file: string; bytes: number; film: FilmToTake }> {
  const found = await film(db, teacher, id);
  if (found.state !== 'done' || found.bytes === null) throw new Refusal('film-not-done');
  const file = await madeFile(found);
  if (!file) throw new Refusal('film-elsewhere');
  return { file, bytes: found.bytes, film: found };
}

/** The latest film of a class as it is now, in its easier version or as it is led; null where none is done. */
export async function freshFilm(
  db: Db,
  teacher: Speaking,
  { classId, easier }: { classId: string; easier: boolean },
): Promise<{ file: string; format: FilmFormat } | null> {
  const fresh = (await filmsOf(db, teacher, classId)).find(
    (f) => f.state === 'done' && !f.old && f.options.easier === easier,
  );
  if (!fresh) return null;
  const file = await madeFile(fresh);
  return file ? { file, format: fresh.options.format } : null;
}

/** Forgets films that were kept long enough. @param now epoch ms */
export async function forgetFilms(db: Db, now: number): Promise<void> {
  const before = new Date(now - FILM_DAYS * DAY_MS);
  const old = await db('films')
    .whereNotIn('state', ['waiting', 'making'])
    .whereRaw('coalesce(done_at, created_at) < ?', [before])
    .delete()
    .returning('id');
  for (const { id } of old) await new FilmFolder(id).remove();
}
