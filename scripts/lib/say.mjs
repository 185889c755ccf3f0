/** Plain lines to the terminal, and the one kind of error a person is meant to read. */

export class Trouble extends Error {}

export const say = (line = '') => process.stdout.write(`${line}\n`);

/** Runs a command's main function; a Trouble becomes one sentence and exit code 1. */
export async function main(run) {
  try {
    process.exitCode = (await run()) ?? 0;
  } catch (error) {
    if (!(error instanceof Trouble)) throw error;
    process.stderr.write(`\n${error.message}\n`);
    process.exitCode = 1;
  }
}
