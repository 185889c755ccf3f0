import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { z } from 'zod';
import { languageSchema } from '@/core/move';
import { errorFields, log } from '../watch/log';
import { plainText, type SpeechEngine } from './engine';
import { type Voicing, voicing } from './voicing';

/**
 * Any program that turns text into a WAV file, described by a small file in a folder. Whoever may write there runs
 * programs on this machine, so it belongs to whoever keeps the machine.
 */

const ENDING = '.voice.json';
/** So many are read; the rest is left alone. */
const MOST_PROGRAMS = 20;
const MOST_MEGABYTES = 64_000;

const programSchema = z.strictObject({
  /** What it is called on screens. */
  name: z.string().trim().min(1).max(40),
  languages: z.array(languageSchema).min(1),
  /**
   * The program and its arguments. `{language}` and `{rate}` are put in; the text comes in on standard input, and a
   * WAV file of one channel with 16 bits goes out on standard output.
   */
  command: z.array(z.string().max(400)).min(1).max(40),
  /** Words a minute that it can do, from and to. */
  rates: z.tuple([z.number().positive(), z.number().positive()]).default([80, 260]),
  /** Memory that it may take. */
  megabytes: z.number().int().min(50).max(MOST_MEGABYTES).default(4000),
});
export type Program = z.infer<typeof programSchema>;

/** A program as somebody who speaks. @param id of its one voice */
export function speakingProgram(
  id: string,
  program: Program,
  { says }: Voicing = voicing,
): SpeechEngine {
  const { name, languages, command, rates, megabytes } = program;
  const [slowest, fastest] = rates;
  const described = createHash('sha256').update(JSON.stringify(program)).digest('hex').slice(0, 8);
  return {
    id: `${id}-${described}`,
    voices: [{ id, name, languages }],
    render: async ({ text, language, wordsPerMinute }, _, how) => {
      const rate = String(Math.round(Math.min(fastest, Math.max(slowest, wordsPerMinute))));
      const given = command.map((part) =>
        part.replaceAll('{language}', language).replaceAll('{rate}', rate),
      );
      return says(given, plainText(text), how, megabytes * 1000);
    },
  };
}

/**
 * The programs of a folder; what is no description of one is left out, and the log says why.
 * @param by how they are let speak
 */
export async function programs(folder: string, by?: Voicing): Promise<SpeechEngine[]> {
  let names: string[];
  try {
    names = (await readdir(folder)).filter((name) => name.endsWith(ENDING)).sort();
  } catch (problem) {
    if ((problem as NodeJS.ErrnoException).code === 'ENOENT') return [];
    throw problem;
  }
  const found: SpeechEngine[] = [];
  for (const name of names.slice(0, MOST_PROGRAMS)) {
    const id = `own-${name.slice(0, -ENDING.length)}`;
    try {
      const program = programSchema.parse(
        JSON.parse(await readFile(path.join(folder, name), 'utf8')),
      );
      if (!/^own-[a-z0-9-]{1,30}$/.test(id)) {
        throw new Error('a name has small letters, digits and strokes, 30 at most');
      }
      found.push(speakingProgram(id, program, by));
    } catch (problem) {
      log().warn({ file: name, ...errorFields(problem) }, 'this is no voice');
    }
  }
  return found;
}
