import { z } from 'zod';
import { LANGUAGES, type Language } from '../language';

/** Words of a studio that a voice says wrongly, and how they are to be said. */

/** Most of them in a studio. */
export const MOST_SAID_WORDS = 300;

const LONGEST_WRITTEN = 40;
const LONGEST_SAID = 80;

export const saidWordSchema = z.object({
  language: z.enum(LANGUAGES),
  written: z
    .string()
    .trim()
    .min(1, 'Write the word as it stands in your cues.')
    .max(LONGEST_WRITTEN, `A word has ${LONGEST_WRITTEN} letters at most.`)
    .regex(
      /^[\p{L}\p{M}\p{N}]+(?:[ ’'.-]+[\p{L}\p{M}\p{N}]+)*$/u,
      'Letters and figures alone, with spaces, hyphens or apostrophes between them.',
    ),
  said: z
    .string()
    .trim()
    .min(1, 'Write it as it sounds, in plain letters.')
    .max(LONGEST_SAID, `How it sounds takes ${LONGEST_SAID} letters at most.`)
    .regex(/\p{L}/u, 'Write it as it sounds, in plain letters.'),
});
export type SaidWord = z.infer<typeof saidWordSchema>;

/** Says the words of a text as its studio wants them said: whole words alone, the longer before the shorter, each once. */
export function sayingAs(words: readonly SaidWord[], { language }: Pick<SaidWord, 'language'>) {
  const mine = words
    .filter((word) => word.language === language)
    .sort((a, b) => b.written.length - a.written.length);
  if (mine.length === 0) return (text: string) => text;
  const as = new Map(mine.map(({ written, said }) => [written.toLowerCase(), said]));
  const any = mine.map(({ written }) => written.replace(/[.]/g, '\\.')).join('|');
  const whole = new RegExp(`(^|[^\\p{L}\\p{M}\\p{N}])(${any})(?![\\p{L}\\p{M}\\p{N}])`, 'giu');
  return (text: string) =>
    text.replace(
      whole,
      (_, before: string, found: string) => before + (as.get(found.toLowerCase()) ?? found),
    );
}

/** As `sayingAs`, in every language. */
export function sayingIn(words: readonly SaidWord[]): (text: string, language: Language) => string {
  const as = Object.fromEntries(
    LANGUAGES.map((language) => [language, sayingAs(words, { language })]),
  ) as Record<Language, (text: string) => string>;
  return (text, language) => as[language](text);
}
