import { readFileSync } from 'node:fs';
import { LIBRARY_BOOK, libraryMove } from '@library';
import { parsePlanText } from '@/core/class';
import { compile } from '@/core/score';

/** Prints the compiled score of a plan file as JSON; needs neither server nor database. */
function score(file: string | undefined): number {
  if (!file) {
    console.error('Name a plan file: npm run -s score -- examples/five-minutes.upbeat.json');
    return 1;
  }
  let text: string;
  try {
    text = readFileSync(file, 'utf8');
  } catch (error) {
    console.error(`${file} cannot be read: ${error instanceof Error ? error.message : error}`);
    return 1;
  }
  const parsed = parsePlanText(text, (id) => libraryMove(id) !== undefined);
  if (!parsed.ok) {
    for (const { field, message } of parsed.problems) {
      console.error(field ? `${file}: ${field} ${message}` : `${file}: ${message}`);
    }
    return 1;
  }
  console.log(JSON.stringify(compile(parsed.value, LIBRARY_BOOK), null, 2));
  return 0;
}

process.exitCode = score(process.argv[2]);
