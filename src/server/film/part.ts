import { readFile, rename } from 'node:fs/promises';
import path from 'node:path';
import { framesOf } from '@/core/film';
import { type Drawable, pictures } from './draw';
import { packPictures } from './encode';
import { DRAWABLE, type FilmPart, PART_FRAMES, partName, UNFINISHED } from './parts';

const read = new Map<string, Drawable>();

async function drawableIn(folder: string): Promise<Drawable> {
  const known = read.get(folder);
  if (known) return known;
  const made = JSON.parse(await readFile(path.join(folder, DRAWABLE), 'utf8')) as Drawable;
  // One film is made after the other.
  read.clear();
  read.set(folder, made);
  return made;
}

/** Makes a part of a film. It is there under its name when it is whole. @throws Refusal `no-encoder`, `no-room` */
export async function makePart({ folder, part }: FilmPart): Promise<void> {
  const of = await drawableIn(folder);
  const from = part * PART_FRAMES;
  const to = Math.min(framesOf(of.worded.score.totalMs), from + PART_FRAMES);
  const file = path.join(folder, partName(part));
  await packPictures(of.options, pictures(of, from, to), file + UNFINISHED);
  await rename(file + UNFINISHED, file);
}
