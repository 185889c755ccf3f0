import { createReadStream } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { z } from 'zod';
import type { FilmOptions } from '@/core/film';
import type { Drawable } from './draw';
import { DRAWABLE, partName, UNFINISHED } from './parts';

/** The folders of films: each has what it is made of, its parts while it is made, and the film itself at the end. */

export const filmsFolder = (): string =>
  process.env.UPBEAT_FILMS ?? path.join(process.env.UPBEAT_DATA_DIR ?? '.data', 'films');

const isMissing = (problem: unknown) => (problem as NodeJS.ErrnoException).code === 'ENOENT';
const idSchema = z.uuid();

export class FilmFolder {
  readonly path: string;

  constructor(id: string, folder = filmsFolder()) {
    this.path = path.resolve(folder, idSchema.parse(id));
  }

  file(name: string): string {
    return path.join(this.path, name);
  }

  film({ format }: Pick<FilmOptions, 'format'>): string {
    return this.file(`film.${format}`);
  }

  async begin(of: Drawable): Promise<void> {
    await mkdir(this.path, { recursive: true });
    await this.write(DRAWABLE, JSON.stringify(of));
  }

  /** What it is made of; null where the folder is gone. */
  async drawable(): Promise<Drawable | null> {
    try {
      return JSON.parse(await readFile(this.file(DRAWABLE), 'utf8')) as Drawable;
    } catch (problem) {
      if (isMissing(problem)) return null;
      throw problem;
    }
  }

  /** Writes a file whole or not at all. */
  async write(name: string, written: string | AsyncIterable<Uint8Array>): Promise<void> {
    const file = this.file(name);
    await writeFile(file + UNFINISHED, written);
    await rename(file + UNFINISHED, file);
  }

  read(name: string): AsyncIterable<Uint8Array> {
    return createReadStream(this.file(name));
  }

  async has(name: string): Promise<boolean> {
    return (await this.names()).includes(name);
  }

  /** Which of so many parts are missing. */
  async missing(parts: number): Promise<number[]> {
    const there = new Set(await this.names());
    return Array.from({ length: parts }, (_, i) => i).filter((i) => !there.has(partName(i)));
  }

  /** Leaves nothing but the film. @returns how many bytes it has */
  async finish(options: FilmOptions): Promise<number> {
    const film = this.film(options);
    await rename(film + UNFINISHED, film);
    for (const name of await this.names()) {
      if (this.file(name) !== film) await rm(this.file(name), { force: true });
    }
    return (await stat(film)).size;
  }

  /** Leaves nothing that is only half written. */
  async tidy(): Promise<void> {
    for (const name of await this.names()) {
      if (name.endsWith(UNFINISHED)) await rm(this.file(name), { force: true });
    }
  }

  /** Removes all of it, also what somebody who makes it still writes meanwhile: that stops as well, a moment later. */
  async remove(): Promise<void> {
    await rm(this.path, { recursive: true, force: true, maxRetries: 10, retryDelay: 50 });
  }

  private async names(): Promise<string[]> {
    return namesIn(this.path);
  }
}

async function namesIn(folder: string): Promise<string[]> {
  try {
    return await readdir(folder);
  } catch (problem) {
    if (isMissing(problem)) return [];
    throw problem;
  }
}

/** A folder in which nothing happened for so long is in nobody's hands, in ms. */
const LEFT_MS = 3_600_000;

/** Whose folders were left alone: of films that nobody has they may go. @param now epoch ms by the machine's clock */
export async function leftIn(folder = filmsFolder(), now = Date.now()): Promise<string[]> {
  const left: string[] = [];
  for (const name of await namesIn(folder)) {
    if (!idSchema.safeParse(name).success) continue;
    const { mtimeMs } = await stat(path.join(folder, name));
    if (now - mtimeMs > LEFT_MS) left.push(name);
  }
  return left;
}
