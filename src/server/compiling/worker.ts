import { giveWay } from '../queue/threads';
import { TASKS, type TaskName } from './tasks';

giveWay();

/** Works out one class in a thread of its own. */
export default function work({ task, of }: { task: TaskName; of: never }): unknown {
  return TASKS[task](of);
}
