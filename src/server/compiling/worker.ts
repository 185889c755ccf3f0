import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';
import { TASKS, type TaskName } from './tasks';

/** The machine does all else first. */
const GIVES_WAY = 15;

/** Lets this thread alone give way, where the system can say which one it is. */
function giveWay(): void {
  try {
    const [, thread] = /task\/(\d+)$/.exec(readlinkSync('/proc/thread-self')) ?? [];
    if (thread) setPriority(Number(thread), GIVES_WAY);
  } catch (error) {
    // Other systems have no such place; there it is one thread among others.
    if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
  }
}
giveWay();

/** Works out one class in a thread of its own. */
export default function work({ task, of }: { task: TaskName; of: never }): unknown {
  return TASKS[task](of);
}
