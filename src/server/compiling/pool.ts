import { availableParallelism } from 'node:os';
import PQueue from 'p-queue';
import { Refusal } from '@/core/calls';
import { blocksOf, expansionOf, type Plan } from '@/core/class';
import { type FairOptions, FairQueue } from '../queue/fair-queue';
import { threads } from '../queue/threads';
import { TASKS, type TaskName, type Tasks } from './tasks';

/**
 * Where classes are worked out. A usual class takes some milliseconds, less than the way to a worker and back, and is
 * done at once; a heavy one is worked out in a thread beside, in turns with those of other studios, so that nobody
 * else's page waits for it.
 */

/** More than a long class of an hour has, and worked out in some ten milliseconds. */
const LIGHT = { turns: 200, beats: 2000 };
/** Hundreds of times as long as the heaviest class takes. */
const LIMIT_MS = 20_000;
/** Most that one studio may have waiting. */
export const MOST_WAITING = 60;

export const isLight = (plan: Plan): boolean => {
  const { turns, beats } = expansionOf(blocksOf(plan));
  return turns <= LIGHT.turns && beats <= LIGHT.beats;
};

/** Works a task out somewhere else. @throws the signal's reason */
export type Workshop = (
  job: { task: TaskName; of: unknown },
  how: { signal: AbortSignal },
) => Promise<unknown>;

function workshop(atOnce: number): Workshop {
  const pool = threads('compiling/worker.ts', atOnce);
  return (job, { signal }) => pool.run(job, { signal });
}

export interface Whose {
  /** Owners take turns. */
  owner: string;
  /** In a thread beside, however light it is. */
  beside?: boolean;
}

type Of<T extends TaskName> = Parameters<Tasks[T]>[0];
type Answer<T extends TaskName> = ReturnType<Tasks[T]>;

export class Compiling {
  private readonly queue: PQueue<FairQueue, FairOptions>;
  private readonly waiting = new Map<string, number>();
  private workshop: Workshop | undefined;

  constructor(
    private readonly open: () => Workshop,
    atOnce: number,
    private readonly limitMs = LIMIT_MS,
  ) {
    this.queue = new PQueue({ concurrency: atOnce, queueClass: FairQueue });
  }

  /**
   * Works something out of a class, at once where it is light.
   * @throws Refusal `still-busy`, `took-too-long`
   */
  async work<T extends TaskName>(
    task: T,
    of: Of<T>,
    { owner, beside = false }: Whose,
  ): Promise<Answer<T>> {
    if (!beside && isLight(of.plan)) return (TASKS[task] as (of: Of<T>) => Answer<T>)(of);
    const before = this.waiting.get(owner) ?? 0;
    if (before >= MOST_WAITING) throw new Refusal('still-busy');
    this.waiting.set(owner, before + 1);
    try {
      return (await this.queue.add(() => this.beside({ task, of }), { owner })) as Answer<T>;
    } finally {
      const left = (this.waiting.get(owner) ?? 1) - 1;
      if (left > 0) this.waiting.set(owner, left);
      else this.waiting.delete(owner);
    }
  }

  private async beside(job: { task: TaskName; of: unknown }): Promise<unknown> {
    this.workshop ??= this.open();
    const limit = AbortSignal.timeout(this.limitMs);
    try {
      return await this.workshop(job, { signal: limit });
    } catch (error) {
      if (limit.aborted) throw new Refusal('took-too-long');
      throw error;
    }
  }
}

const shared = globalThis as { upBeatCompiling?: Compiling };

/** The process's own. One core stays with those who ask. */
export function compiling(): Compiling {
  const atOnce = Math.max(1, availableParallelism() - 1);
  shared.upBeatCompiling ??= new Compiling(() => workshop(atOnce), atOnce);
  return shared.upBeatCompiling;
}
