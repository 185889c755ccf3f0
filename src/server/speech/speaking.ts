import { type ChildProcess, spawn } from 'node:child_process';
import { NOT_FOUND, withLimits } from '../with-limits';

export interface HowToRender {
  /** Gives it up. */
  signal?: AbortSignal;
  /** How much it gives way to all else that the machine does: 0 not at all, 19 to everything. */
  nice?: number;
}

/** What the program may take of the machine for one text: time on the clock and of the processor, memory, output. */
const TIME_LIMIT_MS = 15_000;
const CPU_SECONDS = 10;
const MEMORY_KILOBYTES = 400_000;
/** Two minutes of speech. */
const MOST_OUTPUT_BYTES = 6_000_000;

/** The program cannot say this text: it ended badly, took too long or gave too much. */
export class Unspeakable extends Error {}

/** What the server knows and a program need not: where its data is, and how to get there. */
const isOurs = (name: string) => name === 'DATABASE_URL' || name.startsWith('UPBEAT_');

/** What a program is told of where it runs. */
export const environment = (): NodeJS.ProcessEnv =>
  Object.fromEntries(
    Object.entries(process.env).filter(([name]) => !isOurs(name)),
  ) as NodeJS.ProcessEnv;

/** Ends a program with all that it has started itself, and waits for nothing that has left its group. */
function end({ pid, stdout, stderr }: ChildProcess): void {
  if (pid === undefined) return;
  try {
    process.kill(-pid, 'SIGKILL');
  } catch (problem) {
    // It has ended meanwhile.
    if ((problem as NodeJS.ErrnoException).code !== 'ESRCH') throw problem;
  }
  stdout?.destroy();
  stderr?.destroy();
}

/**
 * Lets a program speak.
 * @param command the program and what it is given
 * @param kilobytes of memory that it may take
 * @throws Unspeakable; the signal's reason; an error with the code ENOENT where there is no such program
 */
export type Speaks = (
  command: readonly string[],
  input: string,
  how?: HowToRender,
  kilobytes?: number,
) => Promise<Buffer>;

/** Lets it speak as a child of this very process. */
export const speaking: Speaks = (
  command,
  input,
  { signal, nice = 0 } = {},
  kilobytes = MEMORY_KILOBYTES,
) =>
  new Promise((resolve, reject) => {
    signal?.throwIfAborted();
    const [program, args] = withLimits(command, { cpuSeconds: CPU_SECONDS, kilobytes, nice });
    // A group of its own, so that nothing of it is left to write when it is ended.
    const child = spawn(program, args, { detached: true, env: environment() });
    const stop = () => end(child);
    const patience = setTimeout(stop, TIME_LIMIT_MS);
    signal?.addEventListener('abort', stop);
    const out: Buffer[] = [];
    let bytes = 0;
    let complaint = '';
    child.stdout.on('data', (chunk: Buffer) => {
      bytes += chunk.length;
      if (bytes > MOST_OUTPUT_BYTES) end(child);
      else out.push(chunk);
    });
    child.stderr.on('data', (chunk: Buffer) => {
      complaint = (complaint + chunk.toString()).slice(0, 300);
    });
    child.on('error', reject);
    child.on('close', (code, killedBy) => {
      clearTimeout(patience);
      signal?.removeEventListener('abort', stop);
      if (signal?.aborted) reject(signal.reason);
      else if (code === 0) resolve(Buffer.concat(out));
      else if (code === NOT_FOUND) reject(Object.assign(new Error(complaint), { code: 'ENOENT' }));
      else
        reject(
          new Unspeakable(`${command[0]} ended with ${killedBy ?? code}: ${complaint.trim()}`),
        );
    });
    // A program that needs no input may end before it was given; whether it did its work its exit code says.
    child.stdin.on('error', (error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE') reject(error);
    });
    child.stdin.end(input);
  });
