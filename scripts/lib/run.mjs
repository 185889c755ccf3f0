import { spawn } from 'node:child_process';
import { createWriteStream } from 'node:fs';
import { ROOT } from './paths.mjs';
import { Trouble } from './say.mjs';

/**
 * Runs a program to its end and gives its exit code.
 * @param {{ env?: object, log?: string, quiet?: boolean }} [options] `log` sends the output to a file
 */
export function run(command, args, { env = {}, log } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: log ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'],
    });
    if (log) {
      const file = createWriteStream(log);
      child.stdout.pipe(file);
      child.stderr.pipe(file);
    }
    child.on('error', (error) =>
      reject(new Trouble(`${command} could not be run: ${error.message}`)),
    );
    child.on('close', (code) => resolve(code ?? 1));
  });
}

export async function mustRun(command, args, options, trouble) {
  const code = await run(command, args, options);
  if (code !== 0) throw new Trouble(trouble);
}
