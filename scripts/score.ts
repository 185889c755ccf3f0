import { scoreFile } from './score-file';

/** Prints the compiled score of a plan file as JSON; needs neither server nor database. */
const scored = scoreFile(process.argv[2]);
if (scored.ok) console.log(JSON.stringify(scored.score, null, 2));
else {
  for (const problem of scored.problems) console.error(problem);
  process.exitCode = 1;
}
