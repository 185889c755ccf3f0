import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import path from 'node:path';
import { Piscina } from 'piscina';

/** How much a thread gives way to all else, as `nice` counts. */
const GIVES_WAY = 15;
const IDLE_MS = 60_000;
const MEMORY_MEGABYTES = 512;

/** Threads that load this project's TypeScript as its scripts do. @param worker its file, from `src/server` on */
export const threads = (worker: string, atOnce: number): Piscina =>
  new Piscina({
    // Named by where it stands, since nothing of it is a part of what is built.
    filename: path.join(process.cwd(), 'src', 'server', worker),
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: atOnce,
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MEGABYTES },
  });

/** Lets the thread that calls it alone give way, where the system can say which one it is. */
export function giveWay(): void {
  try {
    const [, thread] = /task\/(\d+)$/.exec(readlinkSync('/proc/thread-self')) ?? [];
    if (thread) setPriority(Number(thread), GIVES_WAY);
  } catch (error) {
    // Other systems have no such place; there it is one thread among others.
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
}
