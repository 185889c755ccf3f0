import type { Queue, QueueAddOptions } from 'p-queue';

/** Whose work it is, and what of theirs is wanted first. */
export interface FairOptions extends QueueAddOptions {
  owner?: string;
  /** The greater first, among the work of one owner. */
  priority?: number;
}

type Work = () => Promise<unknown>;
interface Waiting {
  work: Work;
  options: Readonly<Partial<FairOptions>>;
}

/**
 * A queue in which owners take turns, so that whoever asks for much waits for themselves alone: with n of them
 * nobody waits for more than n pieces of others' work. Within one owner's work the greater priority goes first, and
 * what was asked first.
 */
export class FairQueue implements Queue<Work, FairOptions> {
  /** In the order of turns. */
  private readonly byOwner = new Map<string, Waiting[]>();

  get size(): number {
    let size = 0;
    for (const waiting of this.byOwner.values()) size += waiting.length;
    return size;
  }

  enqueue(work: Work, options: Partial<FairOptions> = {}): void {
    const { owner = '', priority = 0 } = options;
    const own = this.byOwner.get(owner) ?? [];
    const before = own.findIndex((other) => (other.options.priority ?? 0) < priority);
    own.splice(before === -1 ? own.length : before, 0, { work, options });
    this.byOwner.set(owner, own);
  }

  dequeue(): Work | undefined {
    const [turn] = this.byOwner;
    if (!turn) return undefined;
    const [owner, own] = turn;
    const next = own.shift();
    // Whoever had their turn goes to the end of the line.
    this.byOwner.delete(owner);
    if (own.length > 0) this.byOwner.set(owner, own);
    return next?.work;
  }

  filter(options: Readonly<Partial<FairOptions>>): Work[] {
    return [...this.byOwner.values()]
      .flat()
      .filter((waiting) => (waiting.options.priority ?? 0) === (options.priority ?? 0))
      .map((waiting) => waiting.work);
  }

  setPriority(): void {
    throw new Error('work keeps the priority it was asked with');
  }
}
