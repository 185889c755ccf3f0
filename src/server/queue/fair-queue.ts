import type { Queue, QueueAddOptions } from 'p-queue';

/** Whose work it is. */
export interface FairOptions extends QueueAddOptions {
  owner?: string;
  /** Where work is looked for: what comes before the work of that id. */
  before?: string;
}

type Work = () => Promise<unknown>;

interface Waiting {
  work: Work;
  id?: string;
  signal?: AbortSignal;
}

/** Work that was given up keeps its place, but takes nobody's turn. */
const isWanted = ({ signal }: Waiting) => !signal?.aborted;

/**
 * A queue in which owners take turns, so that whoever asks for much waits for themselves alone: with n of them
 * nobody waits for more than n pieces of others' work. Of one owner's work what was asked first goes first.
 */
export class FairQueue implements Queue<Work, FairOptions> {
  /** In the order of turns. */
  private readonly byOwner = new Map<string, Waiting[]>();

  get size(): number {
    let size = 0;
    for (const own of this.byOwner.values()) size += own.length;
    return size;
  }

  enqueue(work: Work, { owner = '', id, signal }: Partial<FairOptions> = {}): void {
    const one: Waiting = { work, ...(id && { id }), ...(signal && { signal }) };
    const own = this.byOwner.get(owner);
    if (own) own.push(one);
    else this.byOwner.set(owner, [one]);
  }

  dequeue(): Work | undefined {
    const [turn] = this.byOwner;
    if (!turn) return undefined;
    const [owner, own] = turn;
    const next = own.shift();
    if (own.length === 0) this.byOwner.delete(owner);
    else if (next && isWanted(next)) {
      // Whoever had their turn goes to the end of the line.
      this.byOwner.delete(owner);
      this.byOwner.set(owner, own);
    }
    return next?.work;
  }

  /** What waits: all of it, or what comes before the work of an id, which is nothing where that does not wait. */
  filter({ before }: Partial<FairOptions> = {}): Work[] {
    const lines = [...this.byOwner.values()].map((own) => own.filter(isWanted));
    if (before === undefined) return lines.flat().map(({ work }) => work);
    const mine = lines.findIndex((own) => own.some(({ id }) => id === before));
    const rank = lines[mine]?.findIndex(({ id }) => id === before) ?? 0;
    // Whoever's turn comes sooner has one more than those behind.
    const turnsOf = (i: number) => (mine < 0 ? 0 : rank + (i < mine ? 1 : 0));
    return lines.flatMap((own, i) => own.slice(0, turnsOf(i))).map(({ work }) => work);
  }

  setPriority(): void {
    throw new Error('work is done in the order in which it was asked for');
  }
}
