import type { Queue, QueueAddOptions } from 'p-queue';

/** Whose work it is. */
export interface FairOptions extends QueueAddOptions {
  owner?: string;
}

type Work = () => Promise<unknown>;

/**
 * A queue in which owners take turns, so that whoever asks for much waits for themselves alone: with n of them
 * nobody waits for more than n pieces of others' work. Of one owner's work what was asked first goes first.
 */
export class FairQueue implements Queue<Work, FairOptions> {
  /** In the order of turns. */
  private readonly byOwner = new Map<string, Work[]>();

  get size(): number {
    let size = 0;
    for (const own of this.byOwner.values()) size += own.length;
    return size;
  }

  enqueue(work: Work, { owner = '' }: Partial<FairOptions> = {}): void {
    const own = this.byOwner.get(owner);
    if (own) own.push(work);
    else this.byOwner.set(owner, [work]);
  }

  dequeue(): Work | undefined {
    const [turn] = this.byOwner;
    if (!turn) return undefined;
    const [owner, own] = turn;
    const next = own.shift();
    // Whoever had their turn goes to the end of the line.
    this.byOwner.delete(owner);
    if (own.length > 0) this.byOwner.set(owner, own);
    return next;
  }

  filter(): Work[] {
    return [...this.byOwner.values()].flat();
  }

  setPriority(): void {
    throw new Error('work is done in the order in which it was asked for');
  }
}
