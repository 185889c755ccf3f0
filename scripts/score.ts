import { parseArgs } from 'node:util';
import { scoreFile } from './score-file';

/**
 * Prints the compiled score of a plan file as JSON, with what a teacher should look at before leading it;
 * needs neither server nor database.
 */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { 'talking-factor': { type: 'string' }, room: { type: 'string' } },
});
const scored = scoreFile(positionals[0], {
  talkingFactor: values['talking-factor'],
  room: values.room,
});
if (scored.ok) console.log(JSON.stringify({ ...scored.score, checks: scored.checks }, null, 2));
else {
  for (const problem of scored.problems) console.error(problem);
  process.exitCode = 1;
}
