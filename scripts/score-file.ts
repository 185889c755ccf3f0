import { readFileSync } from 'node:fs';
import { LIBRARY_BOOK, libraryMove } from '@library';
import { parsePlanText } from '@/core/class';
import { compile, type Score } from '@/core/score';

export type Scored = { ok: true; score: Score } | { ok: false; problems: string[] };

/** The score of a plan file, or what is wrong with the file, one sentence a problem. Never throws. */
export function scoreFile(file: string | undefined): Scored {
  const wrong = (...problems: string[]): Scored => ({ ok: false, problems });
  if (!file) {
    return wrong('Name a plan file: npm run -s score -- examples/five-minutes.upbeat.json');
  }
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    return wrong(`${file} cannot be read: ${error instanceof Error ? error.message : error}`);
  }
  const parsed = parsePlanText(text, (id) => libraryMove(id) !== undefined);
  if (parsed.ok) return { ok: true, score: compile(parsed.value, LIBRARY_BOOK) };
  return wrong(
    ...parsed.problems.map(({ field, message }) =>
      field ? `${file}: ${field} ${message}` : `${file}: ${message}`,
    ),
  );
}
